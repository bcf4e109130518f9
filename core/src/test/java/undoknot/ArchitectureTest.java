package undoknot;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackage;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

@AnalyzeClasses(packages = "undoknot", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule core_knows_only_the_jdk_itself_and_its_computing_libraries = ArchRuleDefinition.classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "undoknot..",
                    "java..",
                    "javax.imageio..",
                    "boofcv..",
                    "georegression..",
                    "org.ejml..",
                    "com.google.ortools..",
                    "org.apache.commons.statistics..");

    @ArchTest
    static final ArchRule steps_of_the_job_do_not_depend_in_circles =
            SlicesRuleDefinition.slices().matching("undoknot.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule rules_read_no_clock = ArchRuleDefinition.noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis");

    /** The table of docs/rooms.md: each room and what it may use. A room that wants more is in the wrong place. */
    private static final Map<String, List<String>> USES = Map.ofEntries(
            Map.entry("head", List.of()),
            Map.entry("fluid", List.of()),
            Map.entry("practice", List.of()),
            Map.entry("nozzle", List.of("head")),
            Map.entry("scan", List.of("head", "nozzle")),
            Map.entry("treatment", List.of("head", "fluid", "practice", "flow")),
            Map.entry("observation", List.of("head", "nozzle")),
            Map.entry("sitting", List.of("head", "treatment")),
            Map.entry("visit", List.of("head", "nozzle", "treatment", "sitting", "observation", "practice")),
            Map.entry("diagnosis", List.of("head", "nozzle", "treatment", "observation", "visit")),
            Map.entry("outcome", List.of("head", "nozzle")),
            Map.entry("procedure", List.of("head", "outcome", "flow")),
            Map.entry(
                    "advice",
                    List.of(
                            "head",
                            "fluid",
                            "nozzle",
                            "treatment",
                            "sitting",
                            "observation",
                            "visit",
                            "diagnosis",
                            "outcome",
                            "finish",
                            "practice")),
            Map.entry(
                    "finish",
                    List.of(
                            "head",
                            "fluid",
                            "nozzle",
                            "treatment",
                            "sitting",
                            "observation",
                            "visit",
                            "diagnosis",
                            "outcome")),
            Map.entry("flow", List.of()),
            Map.entry("bench", List.of("plan", "treatment")),
            Map.entry(
                    "plan",
                    List.of(
                            "head",
                            "fluid",
                            "practice",
                            "nozzle",
                            "flow",
                            "treatment",
                            "sitting",
                            "observation",
                            "visit",
                            "diagnosis",
                            "outcome",
                            "advice",
                            "procedure")));

    @ArchTest
    static void every_room_stands_above_what_it_uses(JavaClasses classes) {
        Set<String> rooms = classes.stream()
                .map(c -> c.getPackageName().replaceFirst("^undoknot\\.?", ""))
                .filter(room -> !room.isEmpty())
                .collect(Collectors.toSet());
        assertThat(USES.keySet()).isEqualTo(rooms);
        USES.forEach((room, uses) -> {
            String[] allowed = Stream.concat(Stream.of(room), uses.stream())
                    .map(name -> "undoknot." + name + "..")
                    .toArray(String[]::new);
            ArchRuleDefinition.classes()
                    .that()
                    .resideInAPackage("undoknot." + room + "..")
                    .should()
                    .onlyDependOnClassesThat(
                            resideOutsideOfPackage("undoknot..").or(resideInAnyPackage(allowed)))
                    .check(classes);
        });
    }
}
