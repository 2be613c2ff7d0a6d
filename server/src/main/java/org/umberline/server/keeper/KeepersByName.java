package org.umberline.server.keeper;

import java.util.Locale;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsPasswordService;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;
import org.umberline.server.store.Transactions;

/** Finds keepers for the sign-in, and keeps their passwords' hashes up to date. */
@Component
class KeepersByName implements UserDetailsService, UserDetailsPasswordService {
  private final Keepers keepers;
  private final Transactions transactions;

  KeepersByName(Keepers keepers, Transactions transactions) {
    this.keepers = keepers;
    this.transactions = transactions;
  }

  @Override
  public SignedIn loadUserByUsername(String name) {
    return keepers
        .findBySignInName(name.strip().toLowerCase(Locale.ROOT))
        .map(KeepersByName::signedIn)
        .orElseThrow(() -> new UsernameNotFoundException("no keeper of that name"));
  }

  private static SignedIn signedIn(KeeperEntity keeper) {
    return new SignedIn(keeper.getId(), keeper.getSignInName(), keeper.getPasswordHash());
  }

  /** Called at a sign-in whose hash is of an older kind. */
  @Override
  public UserDetails updatePassword(UserDetails user, String newHash) {
    return transactions.write(
        () -> {
          KeeperEntity keeper = keepers.findBySignInName(user.getUsername()).orElseThrow();
          keeper.setPasswordHash(newHash);
          return signedIn(keeper);
        });
  }
}
