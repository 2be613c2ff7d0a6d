package org.umberline.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import jakarta.persistence.Entity;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

@AnalyzeClasses(packages = "org.umberline", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule coreKnowsNeitherFilesNorServer =
      noClasses()
          .that()
          .resideInAPackage("org.umberline.core..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.umberline.tankfile..", "org.umberline.server..");

  @ArchTest
  static final ArchRule tankFileKnowsNoServer =
      noClasses()
          .that()
          .resideInAPackage("org.umberline.tankfile..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("org.umberline.server..");

  @ArchTest
  static final ArchRule entitiesStayWithTheirSubject =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("Views")
          .or()
          .haveSimpleNameEndingWith("Requests")
          .should()
          .dependOnClassesThat()
          .areAnnotatedWith(Entity.class);

  @ArchTest
  static final ArchRule nothingSentOrTakenIsKept =
      noClasses()
          .that()
          .areAnnotatedWith(Entity.class)
          .should()
          .dependOnClassesThat()
          .haveNameMatching(".*(Views|Requests)(\\$.*)?");

  @ArchTest
  static final ArchRule noCyclesBetweenPackages =
      slices().matching("org.umberline.(**)").should().beFreeOfCycles();

  /** Packages by the lines of the drawing in docs/architecture.md, for one module. */
  private static Map<String, Integer> drawn(String module) throws IOException {
    Map<String, Integer> lines = new HashMap<>();
    boolean inside = false;
    List<String> all = Files.readAllLines(Path.of("..", "docs", "architecture.md"));
    for (int i = 0; i < all.size(); i++) {
      String line = all.get(i);
      if (line.startsWith("  ") && inside) {
        for (String name : line.strip().split(" · ")) {
          lines.put(name, i);
        }
      } else {
        inside = line.equals(module);
      }
    }
    return lines;
  }

  @ArchTest
  static void everyPackageUsesOnlyWhatIsDrawnAboveIt(JavaClasses classes) throws IOException {
    for (String module : List.of("core", "server")) {
      Map<String, Integer> drawn = drawn(module);
      Set<String> found = new TreeSet<>();
      List<String> wrong = new ArrayList<>();
      for (JavaClass one : classes) {
        Optional<String> own = room(one, module);
        own.ifPresent(found::add);
        for (Dependency use : one.getDirectDependenciesFromSelf()) {
          Optional<String> other = room(use.getTargetClass(), module);
          if (own.isPresent()
              && other.isPresent()
              && !own.equals(other)
              && drawn.getOrDefault(other.get(), -1) >= drawn.getOrDefault(own.get(), -1)) {
            wrong.add(use.getDescription());
          }
        }
      }
      assertThat(drawn.keySet()).as("packages of %s", module).isEqualTo(found);
      assertThat(wrong).isEmpty();
    }
  }

  private static Optional<String> room(JavaClass of, String module) {
    String above = "org.umberline." + module + ".";
    String name = of.getPackageName();
    return name.startsWith(above)
        ? Optional.of(name.substring(above.length()).split("\\.")[0])
        : Optional.empty();
  }
}
