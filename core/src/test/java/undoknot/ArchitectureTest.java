package undoknot;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;

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
}
