package undoknot.server;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;

@AnalyzeClasses(packages = "undoknot", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule core_and_simulator_never_see_the_server = ArchRuleDefinition.noClasses()
            .that()
            .resideOutsideOfPackage("undoknot.server..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "undoknot.server..", "org.springframework..", "jakarta..", "com.fasterxml..", "org.hibernate..");

    @ArchTest
    static final ArchRule core_never_sees_the_simulator = ArchRuleDefinition.noClasses()
            .that()
            .resideOutsideOfPackages("undoknot.server..", "undoknot.simulator..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("undoknot.simulator..");

    @ArchTest
    static final ArchRule only_the_demo_and_the_stand_ins_own_part_use_them = ArchRuleDefinition.noClasses()
            .that()
            .resideInAPackage("undoknot.server..")
            .and()
            .resideOutsideOfPackages("undoknot.server.demo..", "undoknot.server.standin..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("undoknot.simulator..");

    @ArchTest
    static final ArchRule packages_of_the_server_do_not_import_each_other_in_circles = SlicesRuleDefinition.slices()
            .matching("undoknot.server.(*)..")
            .should()
            .beFreeOfCycles();

    /** The log of a visit is read by everything above it, and knows none of them. */
    @ArchTest
    static final ArchRule the_loader_stands_at_the_bottom = ArchRuleDefinition.classes()
            .that()
            .resideInAPackage("undoknot.server.visit..")
            .should()
            .onlyDependOnClassesThat(JavaClass.Predicates.resideOutsideOfPackage("undoknot.server..")
                    .or(JavaClass.Predicates.resideInAnyPackage(
                            "undoknot.server.visit..",
                            "undoknot.server.head..",
                            "undoknot.server.fluid..",
                            "undoknot.server.problem..",
                            "undoknot.server.write..")));

    /** What answers a request may use anything below; nothing but the demo uses it. */
    @ArchTest
    static final ArchRule nothing_below_knows_the_views = ArchRuleDefinition.noClasses()
            .that()
            .resideInAnyPackage(
                    "undoknot.server.visit..",
                    "undoknot.server.outcome..",
                    "undoknot.server.advice..",
                    "undoknot.server.practice..",
                    "undoknot.server.fluid..",
                    "undoknot.server.head..",
                    "undoknot.server.scan..",
                    "undoknot.server.standin..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("undoknot.server.view..");
}
