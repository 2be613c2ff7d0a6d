// Before the first paint, so that the page never flashes the wrong way.
(function () {
  var chosen = localStorage.getItem('umberline-theme');
  var dark = chosen ? chosen === 'umber-night' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = dark ? 'umber-night' : 'umber-day';
})();
