package undoknot.practice;

import java.time.Duration;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;

/**
 * A shop's answers to the questions on which practice divides; the default where it gave none.
 *
 * @param answers one school for each question, complete
 */
public record HouseRules(Map<HouseQuestion, School> answers) {

    public static final HouseRules DEFAULT = new HouseRules(Map.of());

    /**
     * @param answers the answers that were given, not null; the others are filled in
     * @throws IllegalArgumentException when an answer is no school of its question
     */
    public HouseRules {
        Objects.requireNonNull(answers, "answers");
        Map<HouseQuestion, School> all = new EnumMap<>(HouseQuestion.class);
        for (HouseQuestion question : HouseQuestion.values()) {
            School answer = answers.getOrDefault(question, question.schools().get(0));
            if (!question.schools().contains(answer)) {
                throw new IllegalArgumentException(
                        answer + " is no answer to " + question + "; use one of " + question.schools());
            }
            all.put(question, answer);
        }
        answers = Collections.unmodifiableMap(all);
    }

    /**
     * Answers by the names of their schools, as they are stored and sent.
     *
     * @throws IllegalArgumentException when a name is no school of its question
     */
    public static HouseRules named(Map<HouseQuestion, String> names) {
        Map<HouseQuestion, School> answers = new EnumMap<>(HouseQuestion.class);
        names.forEach((question, name) -> answers.put(
                question,
                question.school(name)
                        .orElseThrow(() -> new IllegalArgumentException(
                                name + " is no answer to " + question + "; use one of " + question.schools()))));
        return new HouseRules(answers);
    }

    public boolean says(School school) {
        return answers.get(school.question()) == school;
    }

    /** The shop's answer to the question that this enum of schools answers. */
    public <S extends Enum<S> & School> S answer(Class<S> schools) {
        return schools.cast(answers.get(HouseQuestion.answeredBy(schools)));
    }

    /** These rules with one answer given anew. */
    public HouseRules with(School school) {
        Map<HouseQuestion, School> all = new EnumMap<>(answers);
        all.put(school.question(), school);
        return new HouseRules(all);
    }

    /** How long every head is kept from power that was wet outside the carriage, whatever was wet. */
    public Duration leastHold() {
        return switch (answer(School.Hold.class)) {
            case BY_WHAT_WAS_WET, RINSED_OPEN_TWO_HOURS -> Duration.ZERO;
            case OVERNIGHT -> Duration.ofHours(12);
            case A_DAY -> Duration.ofHours(24);
        };
    }
}
