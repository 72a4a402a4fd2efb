// Told to the tests: what the content policy blocks, what the page says on the console or throws, and what moves without being asked to.
window.blocked = [];
window.said = [];
window.shifts = [];
window.asked = 0;
const ask = window.fetch;
window.fetch = (...what) => {
  window.asked += 1;
  return ask(...what).finally(() => {
    window.asked -= 1;
  });
};
document.addEventListener('securitypolicyviolation', e => window.blocked.push(e.violatedDirective + ' ' + e.blockedURI));
for (const how of ['log', 'info', 'warn', 'error', 'debug']) console[how] = (...what) => window.said.push(how + ': ' + what.map(String).join(' '));
addEventListener('error', e => e.message && window.said.push('thrown: ' + e.message));
addEventListener('unhandledrejection', e => window.said.push('not caught: ' + String(e.reason)));
new PerformanceObserver(list =>
  list
    .getEntries()
    .filter(e => !e.hadRecentInput)
    .forEach(e => window.shifts.push(e.value)),
).observe({ type: 'layout-shift', buffered: true });
