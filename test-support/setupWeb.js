// jsdom works a computed style out by matching every rule of the page's style sheets against the element, for each
// question anew: a third of the time of a page's test. The questions asked here (names, roles, what is hidden) need
// `display` and `visibility` only, and the app's sheets set them by single classes: they are looked up.
if (typeof window !== 'undefined') {
  const asked = ['display', 'visibility'];
  const byClass = new Map();
  const seen = new WeakSet();
  let known = -1;
  const learn = () => {
    let rules = 0;
    for (const sheet of document.styleSheets) rules += sheet.cssRules.length;
    if (rules === known) return;
    known = rules;
    for (const sheet of document.styleSheets)
      for (const rule of sheet.cssRules) {
        if (seen.has(rule)) continue;
        seen.add(rule);
        if (!/display|visibility/.test(rule.cssText)) continue;
        for (const selector of rule.selectorText.split(',')) {
          const name = /^\s*\.([\w-]+)\s*$/.exec(selector)?.[1];
          for (const property of asked) {
            const value = name && rule.style.getPropertyValue(property);
            if (value) byClass.set(name, { ...byClass.get(name), [property]: value });
          }
        }
      }
  };
  const inline = new Set(['SPAN', 'A', 'B', 'I', 'EM', 'STRONG', 'LABEL', 'INPUT', 'TEXTAREA', 'SELECT', 'IMG']);
  const read = (element, property) => {
    const own = element.style?.getPropertyValue(property);
    if (own) return own;
    learn();
    let found = '';
    for (const name of element.classList) found = byClass.get(name)?.[property] ?? found;
    if (found) return found;
    if (property === 'visibility') return element.parentElement ? read(element.parentElement, property) : 'visible';
    return inline.has(element.tagName) ? 'inline' : 'block';
  };
  window.getComputedStyle = (element, pseudo) => {
    const getPropertyValue = (property) => (pseudo || !asked.includes(property) ? '' : read(element, property));
    return {
      getPropertyValue,
      get display() {
        return getPropertyValue('display');
      },
      get visibility() {
        return getPropertyValue('visibility');
      },
    };
  };
}

// there is nothing to draw on here: who asks is told so, instead of a page of warnings
if (typeof HTMLCanvasElement !== 'undefined') HTMLCanvasElement.prototype.getContext = () => null;

// React keeps a stack trace for every element that is made, which is a fifth of a page's test: after ten thousand within
// a second it stops by itself, and here from the first on. Its warnings then name the component without its owners.
const shared = require('react').__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE;
if (shared && 'recentlyCreatedOwnerStacks' in shared)
  Object.defineProperty(shared, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => {} });
