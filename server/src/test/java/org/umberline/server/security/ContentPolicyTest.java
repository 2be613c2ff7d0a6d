package org.umberline.server.security;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ContentPolicyTest {
  /** The digest is what `printf 'alert(1)' | openssl dgst -sha256 -binary | base64` tells. */
  @Test
  void scriptsThatThePageWasBuiltWithAreNamed() {
    String page = "<head><script>alert(1)</script><script src=\"/a.js\"></script></head>";
    assertThat(ContentPolicy.of(page))
        .contains("script-src 'self' 'sha256-bhHHL3z2vDgxUt0W3dWQOrprscmda2Y5pLsLg4GF+pI=';");
  }

  @Test
  void aPageWithoutScriptsOfItsOwnMayRunItsFilesOnly() {
    assertThat(ContentPolicy.of("<head></head>")).contains("script-src 'self';");
  }
}
