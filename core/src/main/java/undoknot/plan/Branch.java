package undoknot.plan;

import undoknot.treatment.Method;

/**
 * What follows an attempt, by what the check after it says (handbook 13).
 *
 * @param after what came of it
 * @param then what follows
 * @param method work that follows; null for an end
 * @param attempt number in the plan of the attempt that follows, from 1; null when it is none of them
 */
public record Branch(After after, Then then, Method method, Integer attempt) {

    public enum After {
        /** Acceptance met. */
        ACCEPTED,
        /** Recovery of a fifth or more. */
        GOOD,
        /** Some, below a fifth. */
        SOME,
        /** None to speak of. */
        NONE,
        /** Newly out in two channels or more. */
        WORSE
    }

    public enum Then {
        /** A saturated page, a check, and back to the customer. */
        FINISH,
        SAME_AGAIN,
        LONGER,
        NEXT,
        STATION,
        /** Nothing is left: not recoverable, or elsewhere. */
        GIVE_UP
    }
}
