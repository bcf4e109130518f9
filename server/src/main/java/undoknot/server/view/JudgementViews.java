package undoknot.server.view;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.advice.Advice;
import undoknot.advice.Judgement;
import undoknot.diagnosis.NextLook;
import undoknot.diagnosis.Ranking;
import undoknot.finish.Proof;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.server.advice.Judge;
import undoknot.server.practice.House;
import undoknot.server.visit.FindingRow;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.PhotoIndex;
import undoknot.visit.CurrentFindings;

/** Puts a judgement into what the screens are told. */
@Component
public class JudgementViews {

    /** A smaller change of a chance is not worth a word. */
    private static final double LEAST_CHANGE = 0.005;

    private final House house;
    private final PhotoIndex photos;

    JudgementViews(House house, PhotoIndex photos) {
        this.house = house;
        this.photos = photos;
    }

    public JudgementView of(LoggedVisit logged, Judge.Judged judged, Instant now) {
        Judgement judgement = judged.judgement();
        return new JudgementView(
                judgement.ranking().causes(),
                judgement.ranking().channels(),
                looks(logged, judgement, now),
                Sign.BY_THE_WAY.stream().sorted().toList(),
                findings(logged, now),
                lastChange(logged, judgement),
                judgement.contradictions(),
                judgement.advice(),
                logged.departures().stream()
                        .map(d ->
                                new JudgementView.DepartureView(d.id, d.rule, d.advised, d.reason, d.madeAt, d.madeBy))
                        .toList(),
                logged.visit().houseRules == null ? 0 : logged.visit().houseRules,
                house.number(),
                house.of(logged.visit().houseRules).names(),
                judged.money());
    }

    /** Every look that fits the head; proposed is what the advice says to look at, or else what is worth most, if anything is. */
    private static List<JudgementView.LookView> looks(LoggedVisit logged, Judgement judgement, Instant now) {
        List<JudgementView.LookView> views = new ArrayList<>();
        Advice first = judgement.advice().first();
        NextLook.Proposal best = judgement.looks().stream()
                .filter(NextLook.Proposal::isWorthIt)
                .findFirst()
                .orElse(null);
        Look proposed = first.look() != null ? first.look() : best == null ? null : best.look();
        Set<Look> wanted = Proof.of(logged.log(now)).stream().map(Proof::look).collect(Collectors.toSet());
        for (Look look : Look.values()) {
            // A page proves what was told or mended, and is no look for anything else.
            if (!look.fits(logged.family().construction()) || look.isProof() && !wanted.contains(look)) {
                continue;
            }
            NextLook.Proposal p = judgement.looks().stream()
                    .filter(l -> l.look() == look)
                    .findFirst()
                    .orElse(null);
            boolean taken = logged.findingsThatStand().stream()
                    .anyMatch(f -> look.findings().contains(f.sign));
            views.add(new JudgementView.LookView(
                    look,
                    look.minutes(),
                    look.scope(),
                    look.needs(),
                    look.tools(),
                    look.risk(),
                    look.findings(),
                    p == null && !taken && look != proposed && !look.isProof(),
                    p == null ? 0 : p.bits(),
                    p == null ? 0 : p.bitsPerMinute(),
                    look == first.look() && !first.channels().isEmpty()
                            ? first.channels().get(0)
                            : p == null ? null : p.channel(),
                    p == null ? null : p.separates(),
                    p == null ? null : p.from(),
                    look == proposed,
                    look.goesByPort(),
                    look.usesFluid()));
        }
        // Stable: the others keep the order of effort and risk.
        views.sort(Comparator.comparing(v -> !v.proposed()));
        return views;
    }

    private List<JudgementView.FindingView> findings(LoggedVisit logged, Instant now) {
        Set<String> standing = CurrentFindings.of(logged.log(now)).stream()
                .map(Observation::from)
                .collect(Collectors.toSet());
        Set<UUID> withPhoto =
                photos.of(logged.findings().stream().map(f -> f.id).toList());
        return logged.findings().stream()
                .sorted(Comparator.comparing((FindingRow f) -> f.foundAt).reversed())
                .map(f -> new JudgementView.FindingView(
                        f.id,
                        f.sign,
                        Look.making(f.sign).orElse(null),
                        f.channel,
                        f.note,
                        f.foundAt,
                        f.foundBy,
                        f.withdrawn,
                        standing.contains(f.id.toString()),
                        withPhoto.contains(f.id),
                        f.expectedOn,
                        f.lotId == null ? null : logged.lots().get(f.lotId).lotCode,
                        f.volumeMl,
                        f.departureReason,
                        logged.gates(f.against)))
                .toList();
    }

    private List<JudgementView.ChanceChange> lastChange(LoggedVisit logged, Judgement judgement) {
        FindingRow latest = logged.findingsThatStand().stream()
                .max(Comparator.comparing(f -> f.foundAt))
                .orElse(null);
        if (latest == null) {
            return List.of();
        }
        List<Observation> without = judgement.observations().stream()
                .filter(o -> !latest.id.toString().equals(o.from()))
                .toList();
        Ranking before = Ranking.of(
                house.of(logged.visit().houseRules).priorsFor(logged.family().code()), without);
        return judgement.ranking().causes().stream()
                .map(l -> new JudgementView.ChanceChange(
                        l.cause(), before.of(l.cause()).probability(), l.probability()))
                .filter(c -> Math.abs(c.now() - c.before()) >= LEAST_CHANGE)
                .sorted(Comparator.comparingDouble(c -> -Math.abs(c.now() - c.before())))
                .toList();
    }
}
