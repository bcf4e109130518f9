package undoknot.treatment;

import java.util.List;
import java.util.Map;
import undoknot.diagnosis.Sign;
import undoknot.ruleout.Look;
import undoknot.ruleout.Look.Bar;

/**
 * What to do next and why.
 *
 * @param rule the rule that fits
 * @param act what kind of thing is to be done
 * @param method the work, or null
 * @param look the look, or null
 * @param channels where; empty for the whole head
 * @param facts the counts behind it, by name
 * @param house the questions of practice whose answers it follows
 * @param findings what was found that calls for it
 * @param manner how the work is done in this shop, or null when it is none
 */
public record Advice(
        Rule rule,
        Act act,
        Method method,
        Look look,
        List<String> channels,
        Map<String, String> facts,
        List<HouseQuestion> house,
        List<Sign> findings,
        Manner manner) {

    public Advice {
        channels = List.copyOf(channels);
        facts = Map.copyOf(facts);
        house = List.copyOf(house);
        findings = List.copyOf(findings);
    }

    /** In the order in which they are asked; those of handbook 13 carry its numbers. */
    public enum Rule {
        FIRST_CHECK(0),
        CHECK_AGAIN(0),
        ACCEPTED(1),
        NEW_PARTS(1),
        SETTLE_FIRST(2),
        NEWLY_OUT(3),
        OUT_AFTER_FLUSH(4),
        FOUND(0),
        LOOK_FIRST(0),
        WANDERING(5),
        ELECTRICAL(6),
        NOT_WORTH_IT(7),
        STOP_UNCHANGED(7),
        STOP_NO_FLOW(7),
        RECOVERING(8),
        RECOVERING_SLOWLY(9),
        NO_RECOVERY(10),
        NOTHING_LEFT(11),
        FIRST_REMEDY(0);

        private final int number;

        Rule(int number) {
            this.number = number;
        }

        /** Number in handbook 13; 0 for what goes before those rules. */
        public int number() {
            return number;
        }
    }

    public enum Act {
        CHECK,
        LOOK,
        WORK,
        FINISH,
        STOP_ELECTRICAL,
        STOP_MONEY,
        STOP_HOUSE,
        NOT_RECOVERABLE,
        ELSEWHERE
    }

    /**
     * @param next the work that is next, be it after a look or a check; null when none is
     * @param bars what findings make unsafe now
     */
    public record Answer(Advice first, List<Advice> others, Advice next, List<Bar> bars) {}
}
