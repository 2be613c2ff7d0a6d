package org.umberline.server.account;

import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.stereotype.Component;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.Accounts;
import org.umberline.server.keeper.UmberlineSettings;

/** Started with a keeper's name, the application gives that keeper a new password and ends. */
@Component
@ConditionalOnProperty("umberline.reset-password")
class PasswordReset implements ApplicationRunner {
  private final Accounts accounts;
  private final UmberlineSettings settings;
  private final ConfigurableApplicationContext application;

  PasswordReset(
      Accounts accounts, UmberlineSettings settings, ConfigurableApplicationContext application) {
    this.accounts = accounts;
    this.settings = settings;
    this.application = application;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    int code = 0;
    try {
      System.out.println("new password: " + accounts.resetPassword(settings.resetPassword()));
    } catch (Refused refused) {
      System.out.println("umberline: " + refused.getMessage());
      code = 1;
    }
    int end = code;
    System.exit(SpringApplication.exit(application, () -> end));
  }
}
