package org.umberline.core.tank;

import java.util.OptionalDouble;

/** What lies on the bottom. */
public record Substrate(SubstrateKind kind, OptionalDouble areaCm2, OptionalDouble depthCm) {}
