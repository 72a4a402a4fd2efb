// Where the middle of what css names is, and its size, once it stood still over two frames with nothing over it; nothing when it never did.
const [css, most, done] = arguments;
const until = performance.now() + most;
let before = '';
const look = () => {
  const on = document.querySelector(css);
  const r = on?.getBoundingClientRect();
  const at = r && [r.x + r.width / 2, r.y + r.height / 2, r.width, r.height];
  const top = at && document.elementFromPoint(at[0], at[1]);
  const free = top && on.contains(top);
  if (on && !free) on.scrollIntoView({ block: 'center' });
  if (free && String(at) === before) return done(at);
  before = free ? String(at) : '';
  if (performance.now() > until) return done(null);
  requestAnimationFrame(() => setTimeout(look, 30));
};
look();
