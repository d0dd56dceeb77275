// Draws what was last seen before the framework is there, and goes when the page itself stands. Text only, no markup.
(function () {
  var box = document.getElementById('first');
  if (!box) return;
  // the build puts the files of the Bench in here: they are fetched while the framework is read
  var bench = [];
  if (location.pathname === '/')
    bench.forEach(function (file) {
      var link = document.createElement('link');
      link.rel = 'preload';
      link.as = 'script';
      link.href = file;
      document.head.appendChild(link);
    });
  var seen = null;
  try {
    seen = JSON.parse(localStorage.getItem('northcove.first') || 'null');
  } catch (e) {
    seen = null;
  }
  var dark =
    seen && seen.theme !== 'system' ? seen.theme === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
  if (dark) box.className = 'dark';
  function line(cls, text) {
    var e = document.createElement('div');
    e.className = cls;
    e.textContent = String(text == null ? '' : text).slice(0, 200);
    return e;
  }
  // the demo has a clock of its own
  var offset = 0;
  try {
    offset = Number(JSON.parse(localStorage.getItem('northcove.demoDay') || 'null').offsetMs) || 0;
  } catch {
    offset = 0;
  }
  function now() {
    return Date.now() + offset;
  }
  function figure(now) {
    if (typeof seen.countsTo !== 'number') return seen.figure;
    var s = Math.round((seen.countsTo - now) / 1000);
    var t = Math.abs(s);
    if (t >= 3600) return seen.figure;
    return (s < 0 ? '+' : '') + Math.floor(t / 60) + ':' + ('0' + (t % 60)).slice(-2);
  }
  var timer = 0;
  box.appendChild(line('places', (seen && seen.places) || 'Northcove'));
  if (location.pathname === '/' && seen && seen.head) {
    box.appendChild(line('title', seen.title));
    var card = document.createElement('div');
    card.className = 'card';
    card.appendChild(line('', seen.kicker));
    card.appendChild(line('head', seen.head));
    var fig = line('figure', figure(now()));
    card.appendChild(fig);
    card.appendChild(line('', seen.line));
    box.appendChild(card);
    timer = setInterval(function () {
      fig.textContent = figure(now());
    }, 1000);
  }
  // every page has a heading; the Bench is there when it says what is next, or that nothing is
  function there() {
    var root = document.getElementById('root');
    if (!root || !root.querySelector('[role="heading"]')) return false;
    return location.pathname !== '/' || !seen || !seen.head || root.querySelector('[data-bench-read="true"]') !== null;
  }
  function go() {
    observer.disconnect();
    clearInterval(timer);
    clearTimeout(last);
    box.remove();
  }
  var observer = new MutationObserver(function () {
    if (there()) go();
  });
  var last = setTimeout(go, 15000);
  observer.observe(document.body, { childList: true, subtree: true });
})();
