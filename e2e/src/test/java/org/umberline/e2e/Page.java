package org.umberline.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.logging.LogEntry;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A headless browser at the page; every look waits until there is something to see. */
final class Page implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final int MOST_TABS = 90;
  private static final Duration BETWEEN_LOOKS = Duration.ofMillis(50);

  /** A list that has not grown for so long is drawn whole. */
  private static final Duration SETTLED = Duration.ofMillis(700);

  /** The browser of these tests: starting one takes longer than many a story. */
  private static ChromeDriver shared;

  private final ChromeDriver driver;
  private final String address;

  /** What is done to each new page of this story alone. */
  private final List<String> scripts = new ArrayList<>();

  Page(String address) {
    this.address = address;
    driver = browser();
    driver.executeCdpCommand(
        "Storage.clearDataForOrigin", Map.of("origin", address, "storageTypes", "all"));
    policyViolations();
    size(1280, 800);
  }

  private static synchronized ChromeDriver browser() {
    if (shared == null) {
      ChromeDriver started = start();
      Runtime.getRuntime().addShutdownHook(new Thread(started::quit));
      shared = started;
    }
    return shared;
  }

  private static ChromeDriver start() {
    Path profile;
    try {
      profile = Files.createTempDirectory("umberline-chromium");
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    ChromeOptions options = new ChromeOptions();
    options.setBinary("/usr/bin/chromium");
    options.addArguments(
        "--headless=new",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-dev-shm-usage",
        "--disable-quic",
        "--no-first-run",
        "--no-default-browser-check",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--disable-extensions",
        "--disable-default-apps",
        "--metrics-recording-only",
        "--force-device-scale-factor=1",
        "--hide-scrollbars",
        "--lang=en-US",
        "--window-size=1280,800",
        "--user-data-dir=" + profile);
    options.setExperimentalOption(
        "prefs", Map.of("download.default_directory", profile.resolve("downloads").toString()));
    return new ChromeDriver(
        new ChromeDriverService.Builder()
            .usingDriverExecutable(Path.of("/usr/bin/chromedriver").toFile())
            .usingAnyFreePort()
            .build(),
        options);
  }

  /** Sets the exact size; narrow pages are those of a phone. */
  Page size(int width, int height) {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", width < 500));
    driver.executeCdpCommand("Emulation.setTouchEmulationEnabled", Map.of("enabled", width < 500));
    return this;
  }

  Page open(String path) {
    driver.get(address + path);
    return this;
  }

  /** Goes to a whole address. */
  void openAt(String whole) {
    driver.get(whole);
  }

  /** Enters as the demo's keeper and stands at the rounds. */
  Page enterDemo() {
    open("/");
    see("demo-sign-in").click();
    awaitRounds();
    return this;
  }

  /** Waits until Rounds knows every tank as it is now. */
  void awaitRounds() {
    see("rounds-line");
    await("every tank is known", d -> count("coming") == 0 && count("as-of") == 0);
  }

  /** Leaves whoever is signed in and enters as somebody new, without tanks. */
  Page enterAsNewKeeper() {
    open("/");
    scriptLater(
        """
        const done = arguments[arguments.length - 1];
        const token = () => decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1]);
        const send = (path, type, body) => fetch(path,
          {method: 'POST', headers: {'Content-Type': type, 'X-XSRF-TOKEN': token()}, body});
        const id = crypto.randomUUID();
        const name = 'keeper-' + id.slice(0, 8);
        (async () => {
          await fetch('/api/session');
          await send('/api/sign-out', 'application/x-www-form-urlencoded', '');
          await fetch('/api/session');
          await send('/api/keepers', 'application/json',
            JSON.stringify({id, name, password: 'a long enough one'}));
          await send('/api/sign-in', 'application/x-www-form-urlencoded',
            'name=' + name + '&password=a+long+enough+one');
          await fetch('/api/session');
          await caches.delete('umberline-answers');
          done(1);
        })();
        """);
    open("/");
    see("new-tank");
    return this;
  }

  /** A line of the rounds by its tank's name. */
  WebElement line(String tank) {
    return await(
        "the line of " + tank,
        d ->
            d
                .findElements(By.cssSelector("[data-testid=rounds-line][data-tank='" + tank + "']"))
                .stream()
                .findFirst()
                .orElse(null));
  }

  /** Cuts the connection, or restores it. */
  void connected(boolean connected) {
    driver.executeCdpCommand("Network.enable", Map.of());
    driver.executeCdpCommand(
        "Network.emulateNetworkConditions",
        Map.of(
            "offline", !connected, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
  }

  /** Has the browser ask for what a reader's system asks for, such as no motion. */
  void feature(String name, String value) {
    driver.executeCdpCommand(
        "Emulation.setEmulatedMedia",
        Map.of("features", List.of(Map.of("name", name, "value", value))));
  }

  /** From the next page on every question but those is left open. */
  void answerNothingBut(String... paths) {
    Map<String, Object> script =
        driver.executeCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            Map.of(
                "source",
                """
            const answered = %s;
            const ask = window.fetch;
            window.fetch = (what, how) => answered.includes(new URL(what.url ?? what, location).pathname)
              ? ask(what, how) : new Promise(() => undefined);
            """
                    .formatted(
                        Arrays.stream(paths)
                            .map(path -> "'" + path + "'")
                            .collect(Collectors.joining(",", "[", "]")))));
    scripts.add((String) script.get("identifier"));
  }

  /** Two fingers on an element, from so many pixels apart to so many. */
  void pinch(WebElement on, int from, int to) {
    // where it is seen, not where it stands on the page
    List<?> middle =
        (List<?>)
            script(
                "const box = arguments[0].getBoundingClientRect();"
                    + "return [box.x + box.width / 2, box.y + box.height / 3].map(Math.round);",
                reach(on));
    int x = ((Number) middle.get(0)).intValue();
    int y = ((Number) middle.get(1)).intValue();
    touch("touchStart", x, y, from);
    for (int i = 1; i <= 8; i++) {
      touch("touchMove", x, y, from + (to - from) * i / 8);
    }
    driver.executeCdpCommand(
        "Input.dispatchTouchEvent", Map.of("type", "touchEnd", "touchPoints", List.of()));
  }

  private void touch(String type, int x, int y, int apart) {
    driver.executeCdpCommand(
        "Input.dispatchTouchEvent",
        Map.of(
            "type",
            type,
            "touchPoints",
            List.of(
                Map.of("x", x - apart / 2, "y", y, "id", 1),
                Map.of("x", x + apart / 2, "y", y, "id", 2))));
  }

  /** Keeps a practice tank for its eight weeks: a test each week, half of the water once. */
  void practise(String tank) {
    see("practice-tanks");
    labelled("Begin " + tank).click();
    for (int week = 1; week <= 8; week++) {
      String heading = tank + ", week " + week + " of 8";
      await(heading, d -> d.findElement(By.tagName("h1")).getText().equals(heading));
      all("[data-testid=practice-week] button").get(1).click();
      await("its reading", d -> !all("[data-testid=practice-found] li").isEmpty());
      if (week == 3) {
        new Select(labelled("water to change")).selectByIndex(10);
      }
      named(week == 8 ? "Let the last week pass" : "Let the week pass").click();
    }
    see("outcome");
  }

  /** Whatever is called so for who can't see it. */
  WebElement labelled(String label) {
    return await(label, d -> d.findElement(By.cssSelector("[aria-label='" + label + "']")));
  }

  /** Takes in a tank file as the page would, under a new id. */
  void takeIn(String id, String file) {
    driver.executeAsyncScript(
        "const [id, file, done] = arguments;"
            + "const token = document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1];"
            + "fetch('/api/tanks', {method: 'POST', headers: {'Content-Type': 'application/json',"
            + " 'X-XSRF-TOKEN': decodeURIComponent(token)}, body: JSON.stringify({id, file})"
            + "}).then(() => done(1))",
        id,
        file);
  }

  /** Waits until the page's own files are kept on the device. */
  void awaitInstalled() {
    await(
        "the page is installed",
        d ->
            (Boolean)
                scriptLater(
                    "const done = arguments[arguments.length - 1];"
                        + "navigator.serviceWorker.getRegistration().then("
                        + "r => done(r?.active?.state === 'activated'))"));
  }

  /** The id of a tank by its name. */
  String idOf(String tank) {
    return (String)
        scriptLater(
            "const done = arguments[arguments.length - 1];"
                + "fetch('/api/tanks').then(r => r.json()).then(all => done("
                + "all.find(one => one.name === '%s').id))".formatted(tank));
  }

  /** Opens a place of a tank by its name, from wherever the page is. */
  Page openPlace(String tank, String place) {
    return open("/tank/" + idOf(tank) + "/" + place);
  }

  /** Opens a tank from the rounds. */
  Page openTank(String name) {
    await(
            "the way into " + name,
            d -> {
              // on a phone a line opens in place first
              WebElement line = line(name);
              for (String words : new String[] {name, "Open " + name}) {
                for (WebElement link : line.findElements(By.linkText(words))) {
                  return link;
                }
              }
              line.findElement(By.tagName("button")).click();
              return null;
            })
        .click();
    see("tideline");
    see("ledger");
    return this;
  }

  /** A button or link by its words. */
  WebElement named(String words) {
    return await(
        "“" + words + "”",
        d ->
            d
                .findElements(
                    By.xpath(
                        "//button[normalize-space()='%1$s'] | //a[normalize-space()='%1$s']"
                            .formatted(words)))
                .stream()
                .filter(WebElement::isDisplayed)
                .findFirst()
                .orElse(null));
  }

  /** Opens a sheet of the balance page and leaves it by Escape again. */
  void closeSheet() {
    press(Keys.ESCAPE);
    await("the sheet is closed", d -> d.findElements(By.cssSelector("dialog[open]")).isEmpty());
  }

  /** The element that has the focus, as its words or its label. */
  String focused() {
    return (String)
        driver.executeScript(
            "const e = document.activeElement; if (e === document.body) return '';"
                + "return e.getAttribute('aria-label') ?? e.labels?.[0]?.textContent ?? e.textContent");
  }

  /** Tabs on until the focus stands on what is called so. */
  void tabTo(String label) {
    for (int i = 0; i < MOST_TABS; i++) {
      String focused = focused();
      if (focused != null && focused.contains(label)) {
        return;
      }
      press(Keys.TAB);
    }
    throw new AssertionError(label + " is not reached by Tab; the focus is on " + focused());
  }

  Page theme(String theme) {
    open("/");
    driver.executeScript("localStorage.setItem('umberline-theme', arguments[0])", theme);
    return open("/");
  }

  <T> T await(String what, Function<ChromeDriver, T> condition) {
    return new WebDriverWait(driver, PATIENCE, BETWEEN_LOOKS)
        .ignoring(StaleElementReferenceException.class)
        .withMessage(what)
        .until(d -> condition.apply(driver));
  }

  private static By mark(String testId) {
    return By.cssSelector("[data-testid='" + testId + "']");
  }

  WebElement see(String testId) {
    return await(
        testId + " is to be seen",
        d ->
            d.findElements(mark(testId)).stream()
                .filter(WebElement::isDisplayed)
                .findFirst()
                .orElse(null));
  }

  /** Brings it clear of the bar at the thumb, as a finger does. */
  WebElement reach(WebElement element) {
    script("arguments[0].scrollIntoView({block: 'center'})", element);
    return element;
  }

  boolean sees(String testId) {
    return !driver.findElements(mark(testId)).isEmpty();
  }

  /** Presses Undo in what is said just now; what was said before it may just be going. */
  void undo() {
    await(
        "Undo",
        d -> {
          see("toast").findElement(By.xpath(".//button[text()='Undo']")).click();
          return true;
        });
  }

  /** Elements of a kind; a path that draws many marks at once says how many they are. */
  int count(String testId) {
    return driver.findElements(mark(testId)).stream()
        .mapToInt(
            element -> {
              String many = element.getDomAttribute("data-count");
              return many == null ? 1 : Integer.parseInt(many);
            })
        .sum();
  }

  /** How many elements of a kind there are once no more come: long lists are drawn bit by bit. */
  int countSettled(String testId) {
    int[] last = {-1};
    Instant[] since = {Instant.now()};
    return await(
        testId + " no longer grows in number",
        d -> {
          int now = count(testId);
          if (now != last[0]) {
            last[0] = now;
            since[0] = Instant.now();
          }
          boolean still = since[0].plus(SETTLED).isBefore(Instant.now());
          return now > 0 && still ? now : null;
        });
  }

  void awaitText(String testId, String part) {
    await(testId + " says “" + part + "”", d -> see(testId).getText().contains(part));
  }

  void awaitGone(String testId) {
    await(testId + " is gone", d -> !sees(testId));
  }

  /** A handle of the sentence by what it is called. */
  WebElement handle(String label) {
    return await(
        "the handle " + label,
        d ->
            d.findElements(By.cssSelector("input[aria-label='" + label + "']")).stream()
                .findFirst()
                .orElse(null));
  }

  String value(String label) {
    return handle(label).getDomProperty("value");
  }

  Page type(String text) {
    WebElement line = see("entry-line");
    line.click();
    line.sendKeys(text);
    return this;
  }

  void press(CharSequence... keys) {
    new Actions(driver).sendKeys(keys).perform();
  }

  /** Notes a line and waits until the page says it is kept. */
  void note(String text) {
    type(text);
    awaitText("read-back", "now");
    see("entry-line").sendKeys(Keys.ENTER);
    awaitText("toast", "Noted");
  }

  Object script(String script, Object... arguments) {
    return driver.executeScript(script, arguments);
  }

  /** Runs a script that says by its last argument when it is done. */
  Object scriptLater(String script) {
    return driver.executeAsyncScript(script);
  }

  void reload() {
    driver.navigate().refresh();
  }

  List<WebElement> all(String css) {
    return driver.findElements(By.cssSelector(css));
  }

  /** What the browser did not let the page do, by the page's own policy. */
  List<String> policyViolations() {
    return driver.manage().logs().get(LogType.BROWSER).getAll().stream()
        .map(LogEntry::getMessage)
        .filter(message -> message.contains("Content Security Policy"))
        .toList();
  }

  String address() {
    return driver.getCurrentUrl();
  }

  void picture(Path file) throws IOException {
    // Fonts are in, and nothing moves any more.
    driver.executeAsyncScript("document.fonts.ready.then(arguments[arguments.length - 1])");
    Files.createDirectories(file.getParent());
    Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
  }

  /** Leaves the browser as a new one is. */
  @Override
  public void close() {
    connected(true);
    scripts.forEach(
        script ->
            driver.executeCdpCommand(
                "Page.removeScriptToEvaluateOnNewDocument", Map.of("identifier", script)));
    driver.executeCdpCommand("Emulation.setEmulatedMedia", Map.of("features", List.of()));
    // no page is left that could write anything back
    driver.get("about:blank");
    driver.executeCdpCommand(
        "Storage.clearDataForOrigin", Map.of("origin", address, "storageTypes", "all"));
  }
}
