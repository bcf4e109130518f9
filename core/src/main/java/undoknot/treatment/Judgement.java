package undoknot.treatment;

import java.util.List;
import undoknot.diagnosis.Observation;
import undoknot.diagnosis.Priors;
import undoknot.diagnosis.Ranking;
import undoknot.head.Channel;
import undoknot.ruleout.Contradiction;
import undoknot.ruleout.NextLook;

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

    public static Judgement of(SoFar visit, Priors priors, Terms terms) {
        List<Observation> seen = Evidence.of(visit);
        Ranking ranking = Ranking.of(priors, seen);
        List<NextLook.Proposal> looks = looks(visit, ranking, seen);
        return new Judgement(
                List.copyOf(seen),
                ranking,
                looks,
                Contradiction.in(seen),
                AdviceRules.of(visit, ranking, looks, terms));
    }

    private static List<NextLook.Proposal> looks(SoFar visit, Ranking ranking, List<Observation> seen) {
        List<Observation> standing = Evidence.found(visit);
        // What was mended is not looked at again on its own account.
        return NextLook.rank(
                        ranking,
                        standing,
                        new NextLook.Possible(
                                visit.family().construction(),
                                visit.family().channels().stream()
                                        .map(Channel::code)
                                        .toList(),
                                visit.powerAllowed()))
                .stream()
                .filter(p -> !Evidence.isMended(visit, p.look(), p.channel()))
                .toList();
    }
}
