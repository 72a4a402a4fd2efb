// Every text of the page against what it stands on, by the WCAG 2.2 ratio: 4.5, or 3 where it is large. What axe leaves undecided, text on
// drawings above all, is measured here: the nearest opaque surface under it, through whatever lets some of it through.
const parsed = text => {
  const rgb = /^rgba?\(([^)]+)\)$/.exec(text);
  if (rgb) {
    const [r, g, b, a = '1'] = rgb[1].split(/[\s,/]+/);
    return [r / 255, g / 255, b / 255, Number(a)];
  }
  const srgb = /^color\(srgb ([^)]+)\)$/.exec(text);
  if (!srgb) return null;
  const [r, g, b, a = '1'] = srgb[1].split(/[\s/]+/);
  return [Number(r), Number(g), Number(b), Number(a)];
};
const over = (top, under) => [0, 1, 2].map(i => top[i] * top[3] + under[i] * (1 - top[3])).concat(1);
const light = c => {
  const [r, g, b] = c.map(v => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
/** What lies under the middle of a text, from the page up. */
const surface = (el, x, y) => {
  let under = [1, 1, 1, 1];
  const stack = document.elementsFromPoint(x, y).reverse();
  for (const one of stack) {
    if (el !== one && el.contains(one)) continue;
    const style = getComputedStyle(one);
    const inSvg = one instanceof SVGElement && !(one instanceof SVGSVGElement);
    const paint = parsed(inSvg ? style.fill : style.backgroundColor);
    if (!paint || (inSvg && one.tagName === 'text')) continue;
    under = over([paint[0], paint[1], paint[2], paint[3] * Number(style.opacity)], under);
  }
  return under;
};
const found = [];
const texts = [...document.querySelectorAll('body *')].filter(e =>
  [...e.childNodes].some(n => n.nodeType === 3 && n.textContent.trim()),
);
for (const el of texts) {
  const style = getComputedStyle(el);
  const box = el.getBoundingClientRect();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const seen =
    style.visibility === 'visible' && box.width > 2 && box.height > 2 && x > 0 && y > 0 && x < innerWidth && y < innerHeight;
  // What cannot be used now need not stand out; what is hidden from sight is not seen.
  if (!seen || el.closest('[disabled], [aria-disabled=true], .unserving, [aria-hidden=true], script, style')) continue;
  const top = document.elementFromPoint(x, y);
  if (!top || !(top === el || el.contains(top) || top.contains(el))) continue;
  const ink = parsed(el instanceof SVGElement ? style.fill : style.color);
  if (!ink) continue;
  const under = surface(el, x, y);
  const [a, b] = [light(over(ink, under)), light(under)];
  const ratio = (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
  const size = parseFloat(style.fontSize) * (el instanceof SVGElement ? (el.getScreenCTM()?.a ?? 1) : 1);
  const large = size >= 24 || (size >= 18.66 && Number(style.fontWeight) >= 700);
  if (ratio < (large ? 3 : 4.5) - 0.01)
    found.push(`${ratio.toFixed(2)} “${el.textContent.trim().slice(0, 40)}” ${style.color} ${el.tagName}.${el.getAttribute('class') ?? ''}`);
}
return [...new Set(found)];
