// What is wrong with the page as it stands now: scrolls, spills, texts of drawings, targets. One line a fault.
const faults = [];
const shown = e => {
  const r = e.getBoundingClientRect();
  return r.width > 1 && r.height > 1 && getComputedStyle(e).visibility !== 'hidden' && !e.closest('[class*=VisuallyHidden]');
};
const named = e => (e.tagName + '.' + (e.getAttribute('class') ?? '')).toLowerCase().slice(0, 60);
const leaf = document.querySelector('[role=dialog]');
const root = leaf ?? document.body;

const scrolls = [root, ...root.querySelectorAll('*')].filter(
  e => /auto|scroll/.test(getComputedStyle(e).overflowY) && e.scrollHeight > e.clientHeight + 1 && shown(e),
);
if (scrolls.some(a => scrolls.some(b => a !== b && a.contains(b)))) faults.push('a scroll inside a scroll');
if (scrolls.length > 1) faults.push(`${scrolls.length} scroll areas: ${scrolls.map(named).join(', ')}`);
for (const e of leaf ? [] : scrolls) {
  const share = (e.clientWidth * e.clientHeight) / (innerWidth * innerHeight);
  if (share < 0.33) faults.push(`${named(e)} scrolls in ${Math.round(share * 100)} % of the view: ${e.clientHeight} holds ${e.scrollHeight}`);
  if (e.tagName === 'ASIDE' && e.closest('.station:not(.lathe-told)')) faults.push(`figures scroll: ${e.clientHeight} holds ${e.scrollHeight}`);
}
if (document.documentElement.scrollWidth > innerWidth + 1) faults.push(`spills sideways: ${document.documentElement.scrollWidth}`);
for (const e of root.querySelectorAll('*')) {
  const hides = getComputedStyle(e).overflowX === 'hidden' && e.clientWidth > 4 && shown(e) && !e.closest('svg');
  if (hides && e.scrollWidth > e.clientWidth + 2) faults.push(`${named(e)} is cut: ${e.clientWidth} of ${e.scrollWidth}`);
}
const beside = root.querySelector('.station > aside');
for (const e of beside?.children ?? []) {
  const next = e.nextElementSibling;
  if (next && shown(next) && e.getBoundingClientRect().top + e.scrollHeight > next.getBoundingClientRect().top + 1) faults.push(`${named(e)} runs into ${named(next)}`);
}
const own = root.querySelector('.drawn > .folded > .sentence');
if (own && own.clientHeight > 2 * parseFloat(getComputedStyle(own).lineHeight) + 2) faults.push('a station sentence of more than two lines');

for (const svg of root.querySelectorAll('.outline svg')) {
  if (!shown(svg)) continue;
  const frame = svg.getBoundingClientRect();
  const texts = [...svg.querySelectorAll('text')].filter(shown).map(t => ({ says: t.textContent, r: t.getBoundingClientRect(), t }));
  // The box of a glyph is higher than its ink: a fifth is taken off above, a quarter below.
  for (const x of texts) x.ink = { left: x.r.left, right: x.r.right, top: x.r.top + x.r.height * 0.2, bottom: x.r.bottom - x.r.height * 0.25 };
  const meets = (a, b) => a.left < b.right - 0.5 && b.left < a.right - 0.5 && a.top < b.bottom - 0.5 && b.top < a.bottom - 0.5;
  texts.forEach((x, i) => {
    const px = parseFloat(getComputedStyle(x.t).fontSize) * svg.getScreenCTM().a;
    if (px < (document.documentElement.dataset.stands === 'bench' ? 19.5 : 11.5)) faults.push(`“${x.says}” is ${px.toFixed(1)} px`);
    if (x.ink.left < frame.left - 1 || x.ink.right > frame.right + 1 || x.ink.top < frame.top - 1 || x.ink.bottom > frame.bottom + 1) faults.push(`“${x.says}” is out of its frame`);
    for (const y of texts.slice(0, i)) if (meets(x.ink, y.ink)) faults.push(`“${x.says}” stands on “${y.says}”`);
  });
  for (const line of svg.querySelectorAll('polyline, polygon, circle')) {
    const near = line.getBoundingClientRect();
    const by = texts.filter(x => meets(x.ink, { left: near.left - 1, right: near.right + 1, top: near.top - 1, bottom: near.bottom + 1 }));
    if (by.length === 0 || getComputedStyle(line).stroke === 'none') continue;
    const to = line.getScreenCTM();
    const long = line.getTotalLength();
    const step = 2 / to.a;
    for (const x of by) {
      for (let at = 0; at <= long; at += step) {
        const p = line.getPointAtLength(at).matrixTransform(to);
        if (p.x > x.ink.left && p.x < x.ink.right && p.y > x.ink.top && p.y < x.ink.bottom) {
          faults.push(`a line, ${named(line)}, runs through “${x.says}”`);
          break;
        }
      }
    }
  }
}

if (!leaf && document.querySelectorAll('h1').length !== 1) faults.push(`${document.querySelectorAll('h1').length} headings of the first order`);
if (document.querySelectorAll('main').length !== 1) faults.push('not one main part');

const least = document.documentElement.dataset.stands === 'bench' ? 55.5 : 43.5;
for (const e of root.querySelectorAll('button, a.word, a.act, select, input:not([type=range], [type=checkbox], [type=file])')) {
  const inFlow = e.matches('.opens, .check-name') || e.closest('.outline');
  if (shown(e) && !inFlow && e.getBoundingClientRect().height < least) faults.push(`${named(e)} “${e.textContent.slice(0, 24)}” is ${Math.round(e.getBoundingClientRect().height)} high`);
}
if (leaf) {
  const r = leaf.getBoundingClientRect();
  if (r.bottom > innerHeight + 1 || r.right > innerWidth + 1 || r.top < -1) faults.push('a leaf larger than the page');
  for (const pad of leaf.querySelectorAll('.pad')) if (pad.getBoundingClientRect().bottom > innerHeight) faults.push('the number pad is under the fold');
}
return [...new Set(faults)];
