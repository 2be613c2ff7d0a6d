package org.umberline.server.security;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.core.io.ClassPathResource;

/**
 * What the page may load: its own files, and of what stands in it the scripts it was built with.
 * Anything else that finds its way into it is not run.
 */
final class ContentPolicy {
  private static final Pattern SCRIPT = Pattern.compile("<script>(.*?)</script>", Pattern.DOTALL);

  private ContentPolicy() {}

  /** The policy for the page as it was built. */
  static String ofThePage() {
    ClassPathResource page = new ClassPathResource("static/index.html");
    try {
      return of(page.exists() ? page.getContentAsString(StandardCharsets.UTF_8) : "");
    } catch (IOException e) {
      throw new UncheckedIOException("the page can't be read", e);
    }
  }

  static String of(String page) {
    StringBuilder scripts = new StringBuilder("'self'");
    Matcher script = SCRIPT.matcher(page);
    while (script.find()) {
      scripts.append(" 'sha256-").append(sha256(script.group(1))).append('\'');
    }
    return "default-src 'self'; script-src "
        + scripts
        + "; img-src 'self' data:;"
        + " object-src 'none'; base-uri 'self'; frame-ancestors 'none'; form-action 'self'";
  }

  private static String sha256(String text) {
    try {
      byte[] digest =
          MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
      return Base64.getEncoder().encodeToString(digest);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
