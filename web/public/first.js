// Before anything else: the right theme, so that the page never flashes the wrong way, and what the
// page asks first, so that the answers are on their way while its code still is.
(function () {
  var chosen = localStorage.getItem('umberline-theme');
  var dark = chosen ? chosen === 'umber-night' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = dark ? 'umber-night' : 'umber-day';
  var paths = ['/api/session'];
  if (localStorage.getItem('umberline-signed-in')) {
    paths.push('/api/units', '/api/tanks');
    var tank = /^\/tank\/([\w-]+)$/.exec(location.pathname);
    if (location.pathname === '/') paths.push('/api/rounds/known');
    if (tank) paths.push('/api/tanks/' + tank[1] + '/balance');
  }
  window.umberlineAsked = new Map(
    paths.map(function (path) {
      var answer = fetch(path);
      // whoever takes it sees the failure
      answer.catch(function () {});
      return [path, answer];
    }),
  );
})();
