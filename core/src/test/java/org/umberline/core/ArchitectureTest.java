package org.umberline.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(
    packages = "org.umberline.core",
    importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule coreIsPureJavaAndMathematics =
      classes()
          .that()
          .resideInAPackage("org.umberline.core..")
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage(
              "org.umberline.core..", "java..", "org.hipparchus..", "org.apache.commons.numbers..");

  @ArchTest
  static final ArchRule coreDoesNoInputOutputAndHasNoClock =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("java.io..", "java.nio.file..", "java.net..", "java.util.logging..")
          .orShould()
          .callMethod(java.time.Instant.class, "now")
          .orShould()
          .callMethod(java.time.LocalDate.class, "now")
          .orShould()
          .callMethod(System.class, "currentTimeMillis");

  @ArchTest
  static final ArchRule noCyclesBetweenPackages =
      slices().matching("org.umberline.core.(*)..").should().beFreeOfCycles();
}
