package undoknot.advice;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import undoknot.diagnosis.Cause;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.outcome.Worth;
import undoknot.practice.HouseQuestion;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Method;

/**
 * What to do next and why.
 *
 * @param rule the rule that fits
 * @param act what kind of thing is to be done
 * @param method the work, or null
 * @param look the look, or null
 * @param channels where; empty for the whole head
 * @param facts the counts behind it
 * @param cause the cause it is done for, or the one that a look tells most about; null when the rule asks for none
 * @param otherCause the cause that a look tells it from, or null
 * @param money the sum that advises to stop, or null
 * @param house the questions of practice whose answers it follows
 * @param findings what was found that calls for it
 * @param style how the work is done in this shop, or null when it is none
 * @param tried what was tried for which cause, when a head is given up
 */
public record Advice(
        Rule rule,
        Act act,
        Method method,
        Look look,
        List<String> channels,
        Map<Fact, Integer> facts,
        Cause cause,
        Cause otherCause,
        Money money,
        List<HouseQuestion> house,
        List<Sign> findings,
        WorkStyle style,
        List<Tried> tried) {

    public Advice {
        Objects.requireNonNull(rule, "rule");
        Objects.requireNonNull(act, "act");
        channels = List.copyOf(channels);
        facts = Map.copyOf(facts);
        house = List.copyOf(house);
        findings = List.copyOf(findings);
        tried = List.copyOf(tried);
    }

    /**
     * What was tried for a cause in a channel.
     *
     * @param percent chance of the cause there
     * @param methods of its ladder, in the order in which they were first used
     */
    public record Tried(String channel, Cause cause, int percent, List<Method> methods) {
        public Tried {
            methods = List.copyOf(methods);
        }
    }

    /** Work, a check or an end, by counts. */
    static Advice to(
            Rule rule,
            Act act,
            Method method,
            List<String> channels,
            Map<Fact, Integer> facts,
            List<HouseQuestion> house,
            List<Sign> findings,
            WorkStyle style) {
        return new Advice(
                rule, act, method, null, channels, facts, null, null, null, house, findings, style, List.of());
    }

    /** A look first. */
    static Advice toLook(Look look, List<String> channels, Map<Fact, Integer> facts, Cause separates, Cause from) {
        return toLook(Rule.LOOK_FIRST, look, channels, facts, separates, from);
    }

    static Advice toLook(
            Rule rule, Look look, List<String> channels, Map<Fact, Integer> facts, Cause separates, Cause from) {
        return new Advice(
                rule, Act.LOOK, null, look, channels, facts, separates, from, null, List.of(), List.of(), null,
                List.of());
    }

    /** Whether the mains must be on for it: a printed check, a look with power, work that the machine does. */
    public boolean needsPower() {
        return switch (act) {
            case CHECK -> true;
            case LOOK -> look.needs() == Look.Needs.POWER;
            case WORK -> method.needsPower();
            case FINISH, STEP, STOP_ELECTRICAL, STOP_MONEY, ASK_CUSTOMER, STOP_HOUSE, NOT_RECOVERABLE, ELSEWHERE ->
                false;
        };
    }

    /** The same, called for by something told or found. */
    Advice because(Sign sign) {
        return new Advice(
                rule, act, method, look, channels, facts, cause, otherCause, money, house, List.of(sign), style, tried);
    }

    /** The same, done for a cause. */
    Advice against(Cause remedied) {
        return new Advice(
                rule, act, method, look, channels, facts, remedied, otherCause, money, house, findings, style, tried);
    }

    /** The same, naming what was tried. */
    Advice after(List<Tried> all) {
        return new Advice(
                rule, act, method, look, channels, facts, cause, otherCause, money, house, findings, style, all);
    }

    /** The same, by this sum. */
    Advice by(Worth worth) {
        Money sum = new Money((int) Math.round(100 * worth.chance()), worth.cost(), worth.gain());
        return new Advice(
                rule, act, method, look, channels, facts, cause, otherCause, sum, house, findings, style, tried);
    }

    /**
     * Why going on does not pay, in the shop's currency.
     *
     * @param percent chance of acceptance, percent
     * @param cost of another attempt
     * @param gain expected, on average; at or below zero
     */
    public record Money(int percent, double cost, double gain) {}

    /** In the order in which they are asked; those of handbook 13 carry its numbers. */
    public enum Rule {
        FIRST_CHECK(0),
        CHECK_AGAIN(0),
        /** An ink change or a whole-system flush leads the head by steps of its own. */
        STEPS(0),
        /** Acceptance hangs on nozzles that were not read, or a few gaps only moved. */
        READ_AGAIN(0),
        /** No check can be printed. */
        NO_CHECK(0),
        /** A complaint that nothing explained yet. */
        COMPLAINT(0),
        /** A finding that would end the visit, or that was mended, is looked at again. */
        LOOK_AGAIN(0),
        STATION_AT_END(0),
        /** A stream that was read on the bench is not the check after the refit. */
        CHECK_AFTER_REFIT(0),
        /** A head that was wetted off the machine takes ink again before it is checked. */
        PRIME_FIRST(0),
        /** A head that was out is aligned before it goes. */
        ALIGN_HEAD(0),
        /** Two passes did not settle: the encoder strip. */
        ALIGN_STRIP(0),
        /** Nor did two more: it stands with a note, or goes elsewhere. */
        ALIGN_STANDS(0),
        /** A complaint that no nozzle check shows is proven gone by a page. */
        PROOF(0),
        /** The page that should have proven it failed. */
        PROOF_FAILED(0),
        ACCEPTED(1),
        NEW_PARTS(1),
        /** A pad lay under connected cartridges. */
        LEVELS_AFTER_PAD(0),
        SETTLE_FIRST(3),
        NEWLY_OUT(2),
        OUT_AFTER_FLUSH(4),
        FOUND(0),
        LOOK_FIRST(0),
        WANDERING(5),
        ELECTRICAL(6),
        NOT_WORTH_IT(7),
        /** One more attempt would cost more than the customer said to pay. */
        OVER_LIMIT(7),
        STOP_UNCHANGED(7),
        STOP_NO_FLOW(7),
        RECOVERING(8),
        RECOVERING_SLOWLY(9),
        NO_RECOVERY(10),
        NEXT_CAUSE(11),
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
        /** The next step of an ink change or a whole-system flush. */
        STEP,
        FINISH,
        STOP_ELECTRICAL,
        STOP_MONEY,
        /** The customer is asked whether to go on over the price limit. */
        ASK_CUSTOMER,
        STOP_HOUSE,
        NOT_RECOVERABLE,
        ELSEWHERE
    }

    /**
     * @param next the work that is next, be it after a look or a check; null when none is
     * @param bars what findings make unsafe now
     */
    public record Answer(Advice first, List<Advice> others, Advice next, List<BarredWork> bars) {}
}
