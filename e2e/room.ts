import type { Page } from '@playwright/test';

/**
 * What a reader could not read on the page as it stands: text that leaves the screen or its box, and lines that lie over each other.
 * What a pinned bar covers is scrolled, not lost, so only texts of one layer are compared.
 * @returns one line for each, empty when all can be read
 */
export const unreadable = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const out: string[] = [];
    const layerOf = (e: Element | null): Element | null => {
      for (let x = e; x; x = x.parentElement) if (/fixed|sticky|absolute/.test(getComputedStyle(x).position)) return x;
      return null;
    };
    const scrolls = (e: Element | null): boolean => {
      for (let x = e; x; x = x.parentElement) {
        const s = getComputedStyle(x);
        if (/auto|scroll/.test(s.overflowX) && s.overflowY === 'hidden' && x.scrollWidth > x.clientWidth) return true;
      }
      return false;
    };
    /** What of a box can be seen in the lists that scroll around it. */
    const seen = (b: DOMRect, e: Element): DOMRect => {
      let [top, bottom] = [b.top, b.bottom];
      for (let x: Element | null = e; x; x = x.parentElement)
        if (/auto|scroll/.test(getComputedStyle(x).overflowY)) {
          const own = x.getBoundingClientRect();
          top = Math.max(top, own.top);
          bottom = Math.min(bottom, own.bottom);
        }
      return new DOMRect(b.left, top, b.width, Math.max(0, bottom - top));
    };
    /** A line takes the height that its style gives it; the box of its letters is taller. */
    const line = (b: DOMRect, e: Element): DOMRect => {
      const own = Math.min(b.height, parseFloat(getComputedStyle(e).lineHeight) || b.height);
      return new DOMRect(b.left, b.top + (b.height - own) / 2, b.width, own);
    };
    const wide = document.documentElement.scrollWidth - window.innerWidth;
    if (wide > 1) out.push(`the page is ${wide} px too wide`);
    const texts: { text: string; box: DOMRect; layer: Element | null; svg: Element | null }[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let n = walker.nextNode(); n; n = walker.nextNode()) {
      const e = n.parentElement;
      const text = n.textContent?.trim() ?? '';
      if (!e || !text || e.closest('script,style,title,[aria-hidden=true]')) continue;
      const style = getComputedStyle(e);
      if (style.visibility === 'hidden' || style.opacity === '0' || e.closest('[inert]')) continue;
      const range = document.createRange();
      range.selectNodeContents(n);
      const boxes = [...range.getClientRects()].filter((b) => b.width > 1 && b.height > 1);
      if (!boxes.length) continue;
      const name = text.slice(0, 60);
      const svg = e.closest('svg');
      // hidden for eyes, there for screen readers
      if (e.clientWidth <= 1 && !svg) continue;
      const cut = /hidden|clip/.test(style.overflow) && !svg;
      if (cut && (e.scrollWidth > e.clientWidth + 1 || e.scrollHeight > e.clientHeight + 2)) out.push(`cut: ${name}`);
      for (const b of boxes) {
        if ((b.right > window.innerWidth + 1 || b.left < -1) && !scrolls(e)) out.push(`off the screen: ${name}`);
        if (svg) {
          const s = svg.getBoundingClientRect();
          if (b.left < s.left - 1 || b.right > s.right + 1) out.push(`cut by its picture: ${name}`);
        }
        texts.push({ text: name, box: seen(line(b, e), e), layer: svg ?? layerOf(e), svg });
      }
    }
    for (const e of document.querySelectorAll('button,a,[role=button],[role=radio],[role=checkbox]')) {
      const b = e.getBoundingClientRect();
      if (b.width && !scrolls(e.parentElement) && (b.right > window.innerWidth + 1 || b.left < -1))
        out.push(`off the screen: ${(e.getAttribute('aria-label') ?? e.textContent ?? '').slice(0, 60)}`);
    }
    texts.forEach((a, i) =>
      texts.slice(i + 1).forEach((b) => {
        if (a.layer !== b.layer) return;
        const w = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const h = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        if (w > 3 && h > 5) out.push(`over each other: ${a.text} | ${b.text}`);
      }),
    );
    return [...new Set(out)];
  });
