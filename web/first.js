// Before anything else: the right theme, so that the page never flashes the wrong way, and what the
// page asks first and the code of its place, so that they are on their way while the page's own
// code still is.
(function () {
  var chosen = localStorage.getItem('umberline-theme');
  var dark = chosen ? chosen === 'umber-night' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = dark ? 'umber-night' : 'umber-day';
  var paths = ['/api/start'];
  if (localStorage.getItem('umberline-signed-in')) {
    var tank = /^\/tank\/([\w-]+)(?:\/([\w-]+))?$/.exec(location.pathname);
    var question = {
      change: 'run-sheet',
      visit: 'visits',
      log: 'log?kind=&text=&sinceChange=false',
    };
    if (location.pathname === '/') paths.push('/api/rounds/known');
    if (/^\/(bench|account|practice)$/.test(location.pathname))
      paths.push('/api' + location.pathname);
    if (location.pathname === '/upkeep') paths.push('/api/upkeep?days=42');
    if (
      tank &&
      /^(balance|doses|trials|trouble|make-up|change|visit|log)$/.test(tank[2] || 'balance')
    )
      paths.push('/api/tanks/' + tank[1] + '/' + (question[tank[2]] || tank[2] || 'balance'));
  }
  var places = document.querySelector('meta[name=umberline-places]');
  var files = places ? JSON.parse(places.content) : {};
  // fetched, not run: that is for whoever goes there
  window.umberlineFetch = function (place) {
    (Object.hasOwn(files, place) ? files[place] : []).forEach(function (file) {
      var link = document.createElement('link');
      link.rel = 'modulepreload';
      link.href = file;
      document.head.append(link);
    });
  };
  var parts = location.pathname.split('/');
  window.umberlineFetch(parts[1] === 'tank' ? parts[3] || 'balance' : parts[1] || 'rounds');
  window.umberlineAsked = new Map(
    paths.map(function (path) {
      var answer = fetch(path);
      // whoever takes it sees the failure
      answer.catch(function () {});
      return [path, answer];
    }),
  );
})();
