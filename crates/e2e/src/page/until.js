// Waits until a function put in here gives something, looked at as the page changes; nothing when it has not by then.
const [most, done] = arguments;
const looked = () => {
  try {
    return (LOOK)() ?? null;
  } catch {
    return null;
  }
};
let soon = 0;
const watch = new MutationObserver(() => (soon ||= setTimeout(look, 30)));
// What changes without the page's tree changing: a field's value, what styles show.
const seldom = setInterval(look, 150);
const last = setTimeout(() => end(null), most);
function end(what) {
  watch.disconnect();
  clearInterval(seldom);
  clearTimeout(last);
  done(what);
}
function look() {
  soon = 0;
  const what = looked();
  if (what !== null) end(what);
}
const now = looked();
if (now !== null) end(now);
else watch.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
