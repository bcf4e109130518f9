package undoknot.server.view;

import java.time.Instant;
import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.advice.Advice;
import undoknot.advice.NextStep;
import undoknot.observation.Look;
import undoknot.sitting.Sitting;
import undoknot.treatment.Method;

/**
 * What is next with a head, from the one engine that says so.
 *
 * @param at when it can or must be done; absent when it can be done now
 * @param advised what the rules advise, in a line; absent while a soak or a burst is in hand
 * @param goOn the rounds to go on with; absent when none are open
 */
public record NextView(
        NextStep.Action action,
        @Nullable Instant at,
        @Nullable Advised advised,
        @Nullable GoOn goOn) {
    public static NextView of(NextStep next) {
        return new NextView(
                next.action(),
                next.at(),
                next.advice() == null ? null : Advised.of(next.advice()),
                next.goOn() == null ? null : GoOn.of(next.goOn()));
    }

    /**
     * @param channels those that are not done
     * @param channel whose turn it is; absent for the whole head
     * @param next what belongs next there
     */
    public record GoOn(
            String attemptId,
            Method method,
            List<String> channels,
            @Nullable String channel,
            Sitting.Next next) {
        static GoOn of(NextStep.OpenSitting s) {
            return new GoOn(s.id(), s.method(), s.channels(), s.channel(), s.next());
        }
    }

    /** What is advised, as far as a line on the bench says it. */
    public record Advised(
            Advice.Rule rule,
            Advice.Act act,
            @Nullable Method method,
            @Nullable Look look,
            List<String> channels) {
        public static Advised of(Advice a) {
            return new Advised(a.rule(), a.act(), a.method(), a.look(), a.channels());
        }
    }
}
