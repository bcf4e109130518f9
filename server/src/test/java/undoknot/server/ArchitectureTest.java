package undoknot.server;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;

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
}
