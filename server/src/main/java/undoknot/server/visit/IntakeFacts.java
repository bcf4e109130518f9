package undoknot.server.visit;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import undoknot.fluid.InkChemistry;
import undoknot.head.FoodStanding;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.observation.ToldFacts;

/** What of a take-in speaks for a cause. */
public final class IntakeFacts {

    private static final Set<Symptom> NOT_OF_A_PLACE =
            EnumSet.of(Symptom.SMEARS, Symptom.BANDING_ALL_FIRING, Symptom.OVERHEAT_STOP, Symptom.STOPS_BETWEEN_PAGES);

    private IntakeFacts() {}

    public static List<Observation> told(Intake intake) {
        List<Observation> told = new ArrayList<>(facts(intake).observations());
        if (intake.pouredIn() != null && !intake.pouredIn().isBlank()) {
            told.add(Observation.of(Sign.POURED_IN));
        }
        // Told of a channel it is suspected first where nothing could be read.
        Objects.requireNonNullElse(intake.symptomAt(), List.<Intake.SymptomAt>of()).stream()
                .flatMap(s -> s.channels().stream())
                .distinct()
                .forEach(code -> told.add(Observation.of(Sign.TOLD_IN_CHANNEL, code)));
        // A place on the sheet is signed off by a page that reaches it; dirt and lines have proofs of their own.
        if (Objects.requireNonNullElse(intake.symptomAt(), List.<Intake.SymptomAt>of()).stream()
                .anyMatch(s -> s.place() != null
                        && s.place() != Intake.SheetPlace.ALL_OVER
                        && !NOT_OF_A_PLACE.contains(s.symptom()))) {
            told.add(Observation.of(Sign.TOLD_AT_PLACE));
        }
        if (!intake.purpose().asksSymptom()) {
            told.add(Observation.of(Sign.TOLD_NO_COMPLAINT));
        }
        return told;
    }

    /** Refills of the cartridge that had most of them; null while nobody said. */
    private static Integer refills(Intake intake) {
        return Stream.concat(
                        Stream.ofNullable(intake.refills()),
                        ports(intake).stream().map(Intake.PortInk::refills))
                .filter(Objects::nonNull)
                .max(Integer::compare)
                .orElse(null);
    }

    /** What each port carries, as far as it is told: a take-in that is still being typed has none. */
    public static List<Intake.PortInk> ports(Intake intake) {
        return Objects.requireNonNullElse(intake.ports(), List.of());
    }

    private static ToldFacts facts(Intake intake) {
        return new ToldFacts(
                intake.idleDays(),
                intake.climate() == Intake.Climate.HOT_DRY,
                intake.mainsPower() == FoodStanding.Answer.NO,
                intake.inkAgeMonths(),
                refills(intake),
                intake.setupCartridges() == FoodStanding.Answer.YES,
                intake.leftOut() == FoodStanding.Answer.YES,
                intake.printedEmpty() == FoodStanding.Answer.YES,
                intake.damperAgeMonths(),
                intake.dampersCleaned(),
                intake.cyclesBefore(),
                channels(intake, port -> port.chemistry() == InkChemistry.SETTLING_PIGMENT),
                channels(intake, port -> !port.makersOwn()),
                Objects.requireNonNullElse(intake.symptoms(), List.of()));
    }

    private static Set<String> channels(Intake intake, Predicate<Intake.PortInk> which) {
        return ports(intake).stream().filter(which).map(Intake.PortInk::channel).collect(Collectors.toSet());
    }
}
