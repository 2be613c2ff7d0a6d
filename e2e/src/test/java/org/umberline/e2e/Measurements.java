package org.umberline.e2e;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/**
 * How quick page and server are, told and never judged: machines differ. Run by {@code ./umberline
 * measure}.
 */
class Measurements {
  @Test
  void page() throws Exception {
    try (Application application = new Application("measure", "-XX:+UseSerialGC", "-Xmx600m")) {
      try (Page page = new Page(application.address())) {
        page.enterDemo();
        TimeUnit.SECONDS.sleep(20);
        paint(page);
        whatIfs(page);
        frames(page);
      }
    }
  }

  static void tell(String what, List<Double> milliseconds) {
    Collections.sort(milliseconds);
    System.out.printf(
        Locale.ROOT,
        "%-34s n %4d  median %6.0f  p95 %6.0f  most %6.0f ms%n",
        what,
        milliseconds.size(),
        milliseconds.get(milliseconds.size() / 2),
        milliseconds.get((int) (milliseconds.size() * 0.95)),
        milliseconds.get(milliseconds.size() - 1));
  }

  /** From navigation to the sentence, and how much moves after it was painted. */
  private static void paint(Page page) {
    page.open("/").openTank("Breakwater");
    String address = page.address();
    List<Double> sentence = new ArrayList<>();
    double shift = 0;
    for (int i = 0; i < 8; i++) {
      page.openAt(address);
      page.see("sentence");
      page.see("ledger");
      Map<?, ?> seen =
          (Map<?, ?>)
              page.scriptLater(
                  """
                  const done = arguments[arguments.length - 1];
                  let shift = 0, paint = 0;
                  new PerformanceObserver(l => l.getEntries().forEach(e => shift += e.value))
                    .observe({type: 'layout-shift', buffered: true});
                  new PerformanceObserver(l => l.getEntries().forEach(e => paint = e.startTime))
                    .observe({type: 'largest-contentful-paint', buffered: true});
                  setTimeout(() => done({shift, paint}), 300);
                  """);
      sentence.add(((Number) seen.get("paint")).doubleValue());
      shift = Math.max(shift, ((Number) seen.get("shift")).doubleValue());
    }
    tell("balance, largest paint", sentence);
    System.out.printf(Locale.ROOT, "layout shift at most %.4f%n", shift);
  }

  /** From a key on a handle to the redrawn band, with Breakwater's full log. */
  private static void whatIfs(Page page) {
    page.open("/").openTank("Breakwater");
    page.script(
        """
        window.redraws = [];
        let pressed = 0;
        document.addEventListener('keydown', () => { pressed = performance.now(); }, true);
        let band = document.querySelector('[data-testid=nitrate-band]').getAttribute('d');
        new MutationObserver(() => {
          const now = document.querySelector('[data-testid=nitrate-band]')?.getAttribute('d');
          if (!now || now === band) return;
          band = now;
          window.redraws.push(performance.now() - pressed);
        }).observe(document.querySelector('[data-testid=tideline]'),
          {subtree: true, childList: true, attributes: true, attributeFilter: ['d']});
        """);
    WebElement share = page.handle("share of the water to change");
    List<Double> redraws = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      page.script("window.redraws = []");
      share.sendKeys(i % 20 < 10 ? Keys.ARROW_DOWN : Keys.ARROW_UP);
      page.await(
          "redrawn",
          d ->
              (Boolean)
                  page.script(
                      "return window.redraws.length > 0 && !document"
                          + ".querySelector('[data-testid=outcome]').matches('.opacity-50')"));
      redraws.add(((Number) page.script("return window.redraws.at(-1)")).doubleValue());
    }
    tell("key to redrawn band", new ArrayList<>(redraws.subList(5, redraws.size())));
    page.press(Keys.ESCAPE);
  }

  /** Frames while the picture is panned over three years of daily entries. */
  private static void frames(Page page) {
    page.open("/");
    page.see("rounds-line");
    String id = UUID.randomUUID().toString();
    StringBuilder log = new StringBuilder();
    Instant now = Instant.now();
    for (int day = 1095; day > 0; day--) {
      Instant at = now.minus(Duration.ofDays(day));
      log.append(log.length() > 0 ? "," : "")
          .append("{\"at\":\"%s\",\"type\":\"feed\",\"food\":\"f\",\"grams\":0.1}".formatted(at));
      if (day % 3 == 0) {
        log.append(
            ",{\"at\":\"%s\",\"type\":\"test\",\"analyte\":\"nitrate\",\"value\":%d}"
                .formatted(at.plusSeconds(60), 15 + day % 5));
      }
      if (day % 7 == 0) {
        log.append(
            ",{\"at\":\"%s\",\"type\":\"water-change\",\"litres\":20}"
                .formatted(at.plusSeconds(120)));
      }
    }
    String file =
        """
        {"format":"umberline-tank","version":1,"tank":{"name":"Three years","water":"freshwater",
        "netVolumeL":100},"lines":{"nitrate":{"ceilingMgL":40}},
        "foods":[{"id":"f","form":"dry"}],"feeding":[{"food":"f","gramsPerFeed":0.3}],
        "log":["""
            + log
            + "]}";
    page.takeIn(id, file);
    page.open("/tank/" + id);
    page.see("ledger");
    page.named("all").click();
    page.named("year").click();
    @SuppressWarnings("unchecked")
    List<Number> gaps =
        (List<Number>)
            page.scriptLater(
                """
                const done = arguments[arguments.length - 1];
                const picture = document.querySelector('[data-testid=tideline]');
                const gaps = [];
                let last = performance.now(), n = 0;
                function frame(at) {
                  gaps.push(at - last);
                  last = at;
                  picture.dispatchEvent(new WheelEvent('wheel', {deltaX: n % 120 < 60 ? -12 : 12,
                    deltaY: 0, clientX: 600, bubbles: true, cancelable: true}));
                  if (n++ < 240) requestAnimationFrame(frame); else done(gaps.slice(5));
                }
                requestAnimationFrame(frame);
                """);
    List<Double> frames = new ArrayList<>(gaps.stream().map(Number::doubleValue).toList());
    tell("frame while panning three years", frames);
  }
}
