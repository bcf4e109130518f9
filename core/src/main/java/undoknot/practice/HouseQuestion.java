package undoknot.practice;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Where practice divides (handbook 12): each question with its schools, the default first. */
public enum HouseQuestion {
    CYCLES_FIRST(School.CyclesFirst.class),
    PLACE(School.Place.class),
    PUSH_OR_DRAW(School.PushOrDraw.class),
    DOSE(School.Dose.class),
    STUCK_PORT(School.StuckPort.class),
    WARM_FLUID(School.WarmFluid.class),
    WHICH_FLUID(School.WhichFluid.class),
    AIR_CUSHION(School.AirCushion.class),
    SUBMERGE(School.Submerge.class),
    WIPING(School.Wiping.class),
    PAD_STUFF(School.PadStuff.class),
    HOLD(School.Hold.class),
    AFTER_FLUSH(School.AfterFlush.class),
    CYCLE_STRENGTH(School.CycleStrength.class),
    NEW_PARTS(School.NewParts.class),
    WASTE_STORE(School.WasteStore.class),
    INK(School.Ink.class),
    WHEN_TO_STOP(School.StopWhen.class);

    private final Class<? extends School> answers;
    private final List<School> schools;

    HouseQuestion(Class<? extends School> answers) {
        this.answers = answers;
        this.schools = List.of(answers.getEnumConstants());
    }

    /** The schools, the default first. */
    public List<School> schools() {
        return schools;
    }

    /** The school of that name; empty when this question has none such. */
    public Optional<School> school(String name) {
        return schools.stream().filter(s -> s.name().equals(name)).findFirst();
    }

    static HouseQuestion answeredBy(Class<?> answers) {
        return Arrays.stream(values())
                .filter(q -> q.answers == answers)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(answers + " answers no house question"));
    }
}
