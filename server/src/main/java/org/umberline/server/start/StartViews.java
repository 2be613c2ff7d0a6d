package org.umberline.server.start;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.umberline.server.keeper.KeeperViews;
import org.umberline.server.makeup.ListViews;
import org.umberline.server.tank.TankViews;

/** What the API sends when the page opens. */
final class StartViews {
  private StartViews() {}

  record Start(
      KeeperViews.Session session,
      @Schema(nullable = true) ListViews.Units units,
      @Schema(nullable = true, description = "by name, those that are put away last")
          List<TankViews.TankName> tanks) {}
}
