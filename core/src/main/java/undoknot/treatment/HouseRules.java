package undoknot.treatment;

import java.time.Duration;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/** A shop's answers to the questions on which practice divides; the default where it gave none. */
public record HouseRules(Map<HouseQuestion, String> answers) {

    public static final HouseRules DEFAULT = new HouseRules(Map.of());

    /** @throws IllegalArgumentException when an answer is no school of its question */
    public HouseRules {
        Map<HouseQuestion, String> all = new EnumMap<>(HouseQuestion.class);
        for (HouseQuestion question : HouseQuestion.values()) {
            String answer = answers.getOrDefault(question, question.schools().get(0));
            if (!question.schools().contains(answer)) {
                throw new IllegalArgumentException(
                        answer + " is no answer to " + question + "; use one of " + question.schools());
            }
            all.put(question, answer);
        }
        answers = Collections.unmodifiableMap(all);
    }

    public boolean says(HouseQuestion question, String school) {
        return answers.get(question).equals(school);
    }

    public HouseRules with(HouseQuestion question, String school) {
        Map<HouseQuestion, String> all = new EnumMap<>(answers);
        all.put(question, school);
        return new HouseRules(all);
    }

    /** How long every head is kept from power that was wet outside the carriage, whatever was wet. */
    public Duration leastHold() {
        return switch (answers.get(HouseQuestion.HOLD)) {
            case "OVERNIGHT" -> Duration.ofHours(12);
            case "A_DAY" -> Duration.ofHours(24);
            default -> Duration.ZERO;
        };
    }
}
