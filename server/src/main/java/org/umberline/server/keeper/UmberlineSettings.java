package org.umberline.server.keeper;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * @param signUp whether anybody who reaches the page may make an account
 * @param demo whether sample tanks are loaded and their keeper may be signed in by a button
 * @param resetPassword the keeper who is given a new password before the application ends again;
 *     absent in one that serves
 */
@ConfigurationProperties("umberline")
public record UmberlineSettings(boolean signUp, boolean demo, String resetPassword) {
  /** Sign-in name of the keeper of the sample tanks. */
  public static final String DEMO_KEEPER = "wren";

  /** Sign-in name of the keeper who may write in one of them. */
  public static final String DEMO_CO_KEEPER = "tarn";
}
