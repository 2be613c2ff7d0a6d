package org.umberline.server.tank;

import java.util.UUID;

/** Something was written in a tank: its make-up, its log or how it is cared for. */
public record TankChanged(UUID tank, UUID keeper) {}
