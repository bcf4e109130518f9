package undoknot.advice;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import undoknot.diagnosis.Evidence;
import undoknot.diagnosis.NextLook;
import undoknot.diagnosis.Priors;
import undoknot.diagnosis.Ranking;
import undoknot.head.Channel;
import undoknot.observation.Contradiction;
import undoknot.observation.Observation;
import undoknot.outcome.Worth;
import undoknot.treatment.Site;
import undoknot.visit.CurrentFindings;
import undoknot.visit.VisitLog;

/**
 * All that can be said of a visit so far: what was observed, what is likely wrong, what one more look would tell, what to do.
 *
 * @param looks looks that are possible and were not taken, most telling first
 * @param contradictions pairs of observations that can hardly both hold
 */
public record Judgement(
        List<Observation> observations,
        Ranking ranking,
        List<NextLook.Proposal> looks,
        List<Contradiction> contradictions,
        Advice.Answer advice) {

    public static Judgement of(VisitLog visit, Priors priors, Terms terms) {
        return of(visit, priors, terms, next -> null);
    }

    /** @param worthOf what an attempt that is advised next is worth; its answer may be null */
    public static Judgement of(VisitLog visit, Priors priors, Terms terms, Function<Advice, Worth> worthOf) {
        List<Observation> seen = Evidence.of(visit);
        Ranking ranking = Ranking.of(priors, seen);
        List<NextLook.Proposal> looks = looks(visit, ranking);
        return new Judgement(
                List.copyOf(seen),
                ranking,
                looks,
                Contradiction.in(seen),
                AdviceRules.of(new AdviceContext(visit, ranking, terms), looks, worthOf));
    }

    /** The same for a head that an ink change or a whole-system flush leads: no cause and no ladder decides. */
    public Judgement led(Advice.Act act) {
        Advice first = Advice.to(Advice.Rule.STEPS, act, null, List.of(), Map.of(), List.of(), List.of(), null);
        return new Judgement(
                observations, ranking, looks, contradictions, new Advice.Answer(first, List.of(), null, advice.bars()));
    }

    /** Those that do not print as they should; all of them while no print shows which. */
    private static List<String> channels(VisitLog visit) {
        boolean prints = visit.lastCheck().filter(c -> !c.notPossible()).isPresent();
        return prints
                ? visit.affected()
                : visit.family().channels().stream().map(Channel::code).toList();
    }

    private static List<NextLook.Proposal> looks(VisitLog visit, Ranking ranking) {
        List<Observation> context = CurrentFindings.of(visit);
        // What was mended is not looked at again on its own account.
        return NextLook.rank(
                        ranking,
                        context,
                        new NextLook.Possible(
                                visit.family().construction(),
                                channels(visit),
                                visit.head().mayHavePower(),
                                visit.head().site() == Site.IN_CARRIAGE))
                .stream()
                .filter(p -> !CurrentFindings.isMended(visit, p.look(), p.channel()))
                .toList();
    }
}
