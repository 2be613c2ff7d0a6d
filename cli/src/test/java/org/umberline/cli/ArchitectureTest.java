package org.umberline.cli;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "org.umberline", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule commandLineOverTankFileOverCore =
      layeredArchitecture()
          .consideringOnlyDependenciesInLayers()
          .layer("cli")
          .definedBy("org.umberline.cli..")
          .layer("tankfile")
          .definedBy("org.umberline.tankfile..")
          .layer("wording")
          .definedBy("org.umberline.wording..")
          .layer("core")
          .definedBy("org.umberline.core..")
          .whereLayer("cli")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("wording")
          .mayOnlyBeAccessedByLayers("cli")
          .whereLayer("tankfile")
          .mayOnlyBeAccessedByLayers("cli");
}
