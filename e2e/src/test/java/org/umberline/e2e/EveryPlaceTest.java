package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/** What holds in every place: it fits, it can be walked by keys, and waiting is for all to see. */
class EveryPlaceTest {
  /** A word as long as some that people give their tanks. */
  private static final String LONG = "Donaudampfschifffahrtskapitaensgesellschaftsbecken";

  private Page page;

  @BeforeEach
  void openBrowser() {
    page = new Page(Application.shared().address()).enterDemo();
  }

  @AfterEach
  void closeBrowser() {
    page.close();
  }

  /** Every place, and what stands in it once it is there. */
  private static Map<String, String> places(String tank) {
    Map<String, String> places = new LinkedHashMap<>();
    places.put("/", "rounds-line");
    places.put("/tank/" + tank, "ledger");
    places.put("/tank/" + tank + "/log", "log-day");
    places.put("/tank/" + tank + "/change", "run-sheet");
    places.put("/tank/" + tank + "/doses", "dose-asked");
    places.put("/tank/" + tank + "/trouble", "pair");
    places.put("/tank/" + tank + "/trials", "trial-plan");
    places.put("/tank/" + tank + "/visit", "visit-begin");
    places.put("/tank/" + tank + "/make-up", "effect-routine");
    places.put("/upkeep", "absence-open");
    places.put("/bench", "bench-tank");
    places.put("/practice", "practice-tanks");
    places.put("/account", "sessions");
    return places;
  }

  /** What stands out over the right edge and can't be scrolled to within its own part. */
  private Object overTheEdge() {
    return page.script(
        """
        const cut = (e) => {
          for (let up = e; up; up = up.parentElement) {
            if (getComputedStyle(up).overflowX !== 'visible' && up !== document.body
                && up !== document.documentElement) return true;
            if (up.classList.contains('sr-only')) return true;
          }
          return false;
        };
        return [...document.querySelectorAll('body *')].filter((e) => {
          const box = e.getBoundingClientRect();
          return box.width > 0 && box.height > 0 && box.right > innerWidth + 1 && !cut(e);
        }).map((e) => e.tagName + ' ' + e.textContent.trim().slice(0, 60)).slice(0, 5);
        """);
  }

  /** At twice the size on a wide screen, and on the narrowest that pages have to fit. */
  @Test
  void longWordsFitWhateverTheSize() {
    String id =
        (String)
            page.scriptLater(
                """
                const done = arguments[arguments.length - 1];
                const token = () => decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1]);
                const send = (method, path, body) => fetch(path, {method, body: JSON.stringify(body),
                  headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token()}});
                (async () => {
                  const all = await (await fetch('/api/tanks')).json();
                  const from = all.find((one) => one.name === 'Quarry').id;
                  const file = await (await fetch(`/api/tanks/${from}/file`)).json();
                  for (const key of ['foods', 'plants', 'livestock', 'waters'])
                    file[key].forEach((one, i) => { one.name = '%1$s' + i; });
                  file.tank.name = '%1$s';
                  const id = crypto.randomUUID();
                  await send('POST', '/api/tanks', {id, file: JSON.stringify(file)});
                  await send('PUT', `/api/tanks/${id}/site`, {site: '%1$s'});
                  done(id);
                })();
                """
                    .formatted(LONG));
    try {
      for (int width : new int[] {640, 320}) {
        page.size(width, 640);
        places(id)
            .forEach(
                (path, mark) -> {
                  page.open(path).see(mark);
                  assertThat((List<?>) overTheEdge()).as("%s at %d px", path, width).isEmpty();
                });
      }
    } finally {
      page.scriptLater(
          """
          const done = arguments[arguments.length - 1];
          fetch('/api/tanks/%s', {method: 'DELETE', headers: {'X-XSRF-TOKEN':
            decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1])}}).then(() => done());
          """
              .formatted(id));
    }
  }

  /**
   * What the page asks before its code is there is what the place would ask, and not asked twice.
   */
  @Test
  void whatIsAskedAheadIsTakenByThePlace() {
    places(page.idOf("Stillwater"))
        .forEach(
            (path, mark) -> {
              page.open(path).see(mark);
              page.await(
                  "what was asked ahead is taken in " + path,
                  d -> page.script("return window.umberlineAsked.size").equals(0L));
            });
  }

  /** While an answer is waited for the page says so, in words that are read out. */
  @Test
  void waitingMeetsWcagInEveryPlace() throws IOException {
    String tank = page.idOf("Stillwater");
    page.answerNothingBut("/api/start");
    String axe = Files.readString(Path.of(System.getProperty("axe")));
    for (String path : places(tank).keySet()) {
      page.open(path).see("open-guide");
      page.await(
          "waiting is said in " + path,
          d -> page.all("[role=status]").stream().anyMatch(e -> !e.getText().isBlank()));
      page.script(axe);
      Object found =
          page.scriptLater(
              """
              const done = arguments[arguments.length - 1];
              axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']})
                .then(result => done(result.violations.map(v => v.id)));
              """);
      assertThat((List<?>) found).as(path).isEmpty();
    }
  }

  /** The main thing of each place is done without a mouse. */
  @Test
  void everyPlaceIsWalkedByKeys() {
    page.press("g", "u");
    page.see("band");
    page.tabTo("Being away");
    page.press(Keys.ENTER);
    page.see("absence");
    page.closeSheet();
    page.press("g", "t");
    page.see("bench-tank");
    page.tabTo("Kits on the shelf");
    page.press(Keys.ENTER);
    page.see("shelf");
    page.closeSheet();
    String tank = page.idOf("Stillwater");
    page.open("/tank/" + tank + "/log").see("log-day");
    page.tabTo("Photos");
    page.press(Keys.ENTER);
    page.see("sheet");
    page.closeSheet();
    page.open("/tank/" + tank + "/change").see("run-sheet");
    page.tabTo("as much as");
    page.open("/tank/" + tank + "/visit").see("visit-begin");
    page.tabTo("What you see on arrival");
    page.press("Clear");
    page.tabTo("Start visit");
    page.open("/tank/" + tank + "/make-up").see("effect-routine");
    page.tabTo("name of the tank");
    page.open("/account").see("sessions");
    page.tabTo("All tanks as one ZIP file");
    page.open("/new");
    page.tabTo("Next");
  }

  /** Who wants no motion gets none. */
  @Test
  void nothingMovesForWhoWantsNoMotion() {
    page.feature("prefers-reduced-motion", "reduce");
    String tank = page.idOf("Breakwater");
    page.open("/tank/" + tank).see("ledger");
    assertThat(
            (List<?>)
                page.script(
                    """
                    return [...document.querySelectorAll('body *')]
                      .map((e) => getComputedStyle(e))
                      .flatMap((s) => [s.transitionDuration, s.animationDuration])
                      .flatMap((s) => s.split(', '))
                      .filter((s) => parseFloat(s) > 0.001);
                    """))
        .isEmpty();
  }

  /** Where the reader's own colours are forced, lines, marks and bands are still drawn apart. */
  @Test
  void thePictureIsReadInForcedColours() {
    page.feature("forced-colors", "active");
    String tank = page.idOf("Breakwater");
    page.open("/tank/" + tank).see("ledger");
    assertThat(
            (List<?>)
                page.script(
                    """
                    const paper = getComputedStyle(document.body).backgroundColor;
                    return [...document.querySelectorAll('[data-testid=tideline] path, figure svg path')]
                      .map((e) => getComputedStyle(e))
                      .filter((s) => s.stroke !== 'none' && s.stroke === paper)
                      .map((s) => s.stroke);
                    """))
        .as("strokes in the colour of the paper")
        .isEmpty();
  }
}
