type Updates = typeof import('./update');

class Worker extends EventTarget {
  state = 'installing';
  posted: unknown[] = [];
  postMessage(m: unknown) {
    this.posted.push(m);
  }
  become(state: string) {
    this.state = state;
    this.dispatchEvent(new Event('statechange'));
  }
}
class Registration extends EventTarget {
  waiting: Worker | null = null;
  installing: Worker | null = null;
}
class Container extends EventTarget {
  controller: Worker | null = null;
}

let container: Container;
function fresh(controlled: boolean): Updates {
  container = new Container();
  if (controlled) container.controller = new Worker();
  Object.defineProperty(navigator, 'serviceWorker', { value: container, configurable: true });
  let updates: Updates | null = null;
  jest.isolateModules(() => {
    updates = jest.requireActual<Updates>('./update');
  });
  return updates!;
}
const arrive = (r: Registration): Worker => {
  const w = new Worker();
  r.installing = w;
  r.dispatchEvent(new Event('updatefound'));
  w.become('installed');
  return w;
};
const watch = (u: Updates, r: Registration) => u.watchUpdates(r as unknown as ServiceWorkerRegistration);

it('a new version waits and is not taken by itself; when it is taken, it is told to go on', () => {
  const updates = fresh(true);
  const r = new Registration();
  watch(updates, r);
  expect(updates.updateState()).toBe('none');
  const w = arrive(r);
  expect(updates.updateState()).toBe('waiting');
  expect(w.posted).toEqual([]);
  updates.takeUpdate();
  expect(w.posted).toEqual([{ type: 'SKIP_WAITING' }]);
});

it('one that lay there before the page was loaded waits as well; the first of a browser is no update', () => {
  const later = fresh(true);
  const r = new Registration();
  r.waiting = new Worker();
  watch(later, r);
  expect(later.updateState()).toBe('waiting');
  const first = fresh(false);
  const own = new Registration();
  watch(first, own);
  arrive(own);
  expect(first.updateState()).toBe('none');
});

it('another tab took it: this one says so, and loads nothing by itself', () => {
  const updates = fresh(true);
  watch(updates, new Registration());
  container.dispatchEvent(new Event('controllerchange'));
  expect(updates.updateState()).toBe('replaced');
});
