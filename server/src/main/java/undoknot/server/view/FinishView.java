package undoknot.server.view;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.lang.Nullable;
import undoknot.finish.Alignment;
import undoknot.finish.Bill;
import undoknot.finish.Harmless;
import undoknot.finish.OffPart;
import undoknot.finish.Proof;
import undoknot.finish.SignOff;
import undoknot.finish.Unchecked;
import undoknot.finish.UsualParts;
import undoknot.outcome.Outcome;
import undoknot.procedure.Act;
import undoknot.server.outcome.BillTerms;
import undoknot.server.outcome.Money;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.OffPartRow;
import undoknot.server.visit.Procedures;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.sitting.AlignmentPass;
import undoknot.treatment.Method;
import undoknot.visit.VisitLog;

/**
 * How far the end of a visit is.
 *
 * @param parts what came off, in the order in which it did, entries taken back among them
 * @param back keys of what is still off, in the order in which it goes back
 * @param usualParts what usually comes off, in order
 * @param unchecked work that no check has followed
 * @param open what is still to do before it counts as recovered, in order
 * @param proofs what shows complaints gone that no check can show
 * @param proposed the outcome that has no doubt against it; absent where none speaks for itself
 * @param harmless channels that are accepted with small deviations, which do not matter in use
 * @param overruled what spoke against the outcome when it was signed off, in order
 * @param reopenedWhy why the last return was taken back; absent when none was
 */
public record FinishView(
        List<OffPartView> parts,
        List<UUID> back,
        List<UsualPart> usualParts,
        AlignmentView alignment,
        List<Method> unchecked,
        List<Outcome.Doubt> open,
        List<Proof> proofs,
        @Nullable Outcome proposed,
        List<Harmless> harmless,
        BillView bill,
        @Nullable Visit.Told told,
        List<Outcome.Doubt> overruled,
        @Nullable String reopenedWhy,
        @Nullable String reopenedBy,
        @Nullable Instant reopenedAt) {

    /**
     * @param open whether it still has to go back
     * @param inDispute whether light and menu say different things of a cartridge
     * @param backNote a word with it; why it stays off
     */
    public record OffPartView(
            UUID id,
            OffPart.Kind kind,
            String name,
            @Nullable String channel,
            int count,
            String note,
            Instant offAt,
            String offBy,
            @Nullable Integer backCount,
            @Nullable Boolean light,
            @Nullable Boolean menu,
            boolean stays,
            String backNote,
            @Nullable Instant backAt,
            @Nullable String backBy,
            boolean open,
            boolean inDispute,
            boolean withdrawn,
            boolean hasPhoto) {
        static OffPartView of(OffPartRow r, Set<UUID> withPhoto) {
            OffPart part = r.part();
            return new OffPartView(
                    r.id,
                    r.kind,
                    r.name,
                    r.channel,
                    r.count,
                    r.note,
                    r.offAt,
                    r.offBy,
                    r.backCount,
                    r.light,
                    r.menu,
                    r.stays,
                    r.backNote,
                    r.backAt,
                    r.backBy,
                    part.isOpen() && !r.withdrawn,
                    part.isInDispute(),
                    r.withdrawn,
                    withPhoto.contains(r.id));
        }
    }

    /** @param channel whose it is; absent for parts of the machine */
    public record UsualPart(
            OffPart.Kind kind, String name, @Nullable String channel, int count) {
        static UsualPart of(UsualParts.Usual u) {
            return new UsualPart(u.kind(), u.name(), u.channel(), u.count());
        }
    }

    /**
     * @param scale what was printed last, or what the family is aligned by; absent while nobody knows
     * @param proposed what the printer stands at for the next pass; absent without a scale
     * @param strip whether the encoder strip was cleaned before the last passes
     * @param passes of this visit since the last refit
     * @param earlier passes of earlier visits of this head, and of this one before the last refit
     */
    public record AlignmentView(
            @Nullable NotedEntry.ScaleEntry scale,
            @Nullable List<Integer> proposed,
            boolean strip,
            Alignment.State state,
            List<PassView> passes,
            List<PassView> earlier) {}

    /** @param moved steps by which it moved each position; nothing to hold it against where absent */
    public record PassView(
            UUID id,
            Instant at,
            String by,
            NotedEntry.ScaleEntry scale,
            List<Integer> best,
            @Nullable List<Integer> moved,
            boolean accepted,
            String note) {}

    /**
     * The bill as it stands; see {@link Bill}.
     *
     * @param limit what the customer said to pay at most; absent where nobody said
     * @param overLimit by how much the total goes over it
     * @param terms what was entered of it
     * @param usualMinutes what the logged work usually takes
     * @param unpriced what is in no sum because it has no price
     */
    public record BillView(
            int minutes,
            BigDecimal hands,
            BigDecimal fluids,
            BigDecimal parts,
            BigDecimal margin,
            BigDecimal net,
            boolean agreed,
            BigDecimal tax,
            BigDecimal total,
            @Nullable BigDecimal limit,
            @Nullable BigDecimal overLimit,
            BillTerms terms,
            int usualMinutes,
            List<Money.Unpriced> unpriced) {
        static BillView of(Bill b, BillTerms terms, Money.Spent spent) {
            return new BillView(
                    b.minutes(),
                    b.hands(),
                    b.fluids(),
                    b.parts(),
                    b.margin(),
                    b.net(),
                    b.agreed(),
                    b.tax(),
                    b.total(),
                    b.limit(),
                    b.overLimit(),
                    terms,
                    spent.minutes(),
                    spent.unpriced());
        }
    }

    /** @param earlier work of earlier visits of this head, in order */
    static FinishView of(
            LoggedVisit logged, VisitLog log, Set<UUID> withPhoto, List<VisitLoader.Earlier> earlier, Money money) {
        Visit visit = logged.visit();
        boolean inkBack = logged.procedureThatStands().stream().anyMatch(e -> e.act == Act.INK_BACK);
        return new FinishView(
                logged.rows().offParts().stream()
                        .map(row -> OffPartView.of(row, withPhoto))
                        .toList(),
                OffPart.reversed(logged.offParts()).stream()
                        .map(part -> UUID.fromString(part.id()))
                        .toList(),
                UsualParts.of(logged.family()).stream().map(UsualPart::of).toList(),
                alignment(logged, log, earlier),
                Unchecked.of(log).stream().map(w -> w.method()).distinct().toList(),
                SignOff.toDo(logged.purpose(), log, inkBack),
                Proof.of(log),
                SignOff.proposed(logged.purpose(), log, Procedures.isOver(logged), inkBack),
                Harmless.of(log),
                BillView.of(money.bill(logged), money.billTerms(logged), money.spentOn(logged)),
                visit.told,
                visit.overruled,
                visit.reopenedWhy,
                visit.reopenedBy,
                visit.reopenedAt);
    }

    private static AlignmentView alignment(LoggedVisit logged, VisitLog log, List<VisitLoader.Earlier> earlier) {
        Alignment alignment = Alignment.of(log);
        List<Attempt> own = logged.attemptsThatStand().stream()
                .filter(a -> logged.noted(a).pass() != null)
                .toList();
        int now = alignment.passes().size();
        List<PassView> passes = new ArrayList<>();
        for (int i = 0; i < now; i++) {
            Attempt attempt = own.get(own.size() - now + i);
            passes.add(pass(attempt, alignment.passes().get(i), moved(alignment, i)));
        }
        List<PassView> before = Stream.concat(
                        earlier.stream()
                                .filter(e -> e.noted().pass() != null)
                                .map(e -> pass(e.attempt(), e.noted().pass(), null)),
                        own.subList(0, own.size() - now).stream()
                                .map(a -> pass(a, logged.noted(a).pass(), null)))
                .toList();
        var scale = now > 0
                ? alignment.passes().get(now - 1).scale()
                : logged.family().machine().alignment();
        return new AlignmentView(
                scale == null ? null : NotedEntry.ScaleEntry.of(scale),
                scale == null ? null : alignment.proposed(scale),
                alignment.strip(),
                alignment.state(),
                passes,
                before);
    }

    private static List<Integer> moved(Alignment alignment, int pass) {
        List<OptionalInt> moved = IntStream.range(
                        0, alignment.passes().get(pass).best().size())
                .mapToObj(position -> alignment.moved(pass, position))
                .toList();
        return moved.stream().anyMatch(OptionalInt::isEmpty)
                ? null
                : moved.stream().map(OptionalInt::getAsInt).toList();
    }

    private static PassView pass(Attempt a, AlignmentPass p, @Nullable List<Integer> moved) {
        return new PassView(
                a.id,
                a.startedAt,
                a.startedBy,
                NotedEntry.ScaleEntry.of(p.scale()),
                p.best(),
                moved,
                p.accepted(),
                a.note);
    }
}
