package undoknot.procedure;

import static undoknot.procedure.Act.*;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.procedure.Act.Finding;

/**
 * How far an ink change is (handbook 15): every channel at its port over a pad, until a fresh pad shows no colour, and then the
 * new ink in every port.
 */
public final class InkChange {

    /** How the old ink leaves a channel. */
    public enum Way {
        FLUSH,
        /** Where nothing may be pushed in. */
        DRAW_BACK,
        /** Where neither is allowed. */
        CYCLES
    }

    /**
     * A channel as it stands.
     *
     * @param ml fluid through it so far
     * @param pad what the last fresh pad showed; null while none was looked at
     * @param done whether that was no colour, and nothing went through it since
     * @param over whether it took more than its need with the reserve and is not done
     */
    public record Row(String channel, Way way, BigDecimal ml, Finding pad, boolean done, boolean over) {}

    private final InkNeed need;
    private final Family family;
    private final List<Done> done;

    /**
     * @param need null while nothing was worked out
     * @param done in the order of time, strokes among them
     */
    public InkChange(InkNeed need, Family family, List<Done> done) {
        this.need = need;
        this.family = family;
        this.done = List.copyOf(done);
    }

    /** Every channel, light ones first. */
    public List<Row> rows() {
        return channels().stream().map(this::row).toList();
    }

    private List<String> channels() {
        return family.lightFirst(family.channels().stream().map(Channel::code).toList());
    }

    private Row row(String channel) {
        BigDecimal ml = BigDecimal.ZERO;
        Finding pad = null;
        for (Done d : done) {
            if (!channel.equals(d.channel())) {
                continue;
            }
            if (d.act() == null) {
                ml = ml.add(d.ml());
                // What went through since has not been looked at.
                pad = pad == Finding.NO_COLOUR ? null : pad;
            } else if (d.is(PAD_SEEN)) {
                pad = d.finding();
            }
        }
        boolean white = pad == Finding.NO_COLOUR;
        boolean over = !white && need != null && ml.doubleValue() > need.mostMl();
        return new Row(channel, wayOf(channel), ml, pad, white, over);
    }

    private Way wayOf(String channel) {
        Limits limits = family.limits();
        if (limits.pushKpa() != null
                && family.channel(channel).filter(Channel::takesPush).isPresent()) {
            return Way.FLUSH;
        }
        return limits.suctionKpa() != null && limits.removable() != Limits.Removable.NO ? Way.DRAW_BACK : Way.CYCLES;
    }

    /** All steps, in order; empty while nothing was worked out. */
    public List<Stage> stages() {
        if (need == null) {
            return List.of();
        }
        List<Stage> stages = new ArrayList<>();
        stages.add(inEvery(CARTRIDGE_OUT));
        stages.add(Stage.once(LAID_IN, has(LAID_IN)));
        List<String> open =
                rows().stream().filter(r -> !r.done()).map(Row::channel).toList();
        int all = family.channels().size();
        stages.add(new Stage(PAD_SEEN, all - open.size(), all, open));
        stages.add(Stage.once(LAID_OUT, has(LAID_OUT)));
        stages.add(inEvery(CARTRIDGE_IN));
        return stages;
    }

    public Optional<Act> next() {
        return stages().stream().filter(s -> !s.isComplete()).map(Stage::act).findFirst();
    }

    public boolean isOver() {
        return need != null && next().isEmpty();
    }

    /** Channels that run the new ink already. */
    public List<String> changed() {
        List<String> left = inEvery(CARTRIDGE_IN).left();
        return channels().stream().filter(c -> !left.contains(c)).toList();
    }

    private Stage inEvery(Act act) {
        List<String> left = channels().stream()
                .filter(c -> done.stream().noneMatch(d -> d.is(act) && c.equals(d.channel())))
                .toList();
        int all = family.channels().size();
        return new Stage(act, all - left.size(), all, left);
    }

    private boolean has(Act act) {
        return done.stream().anyMatch(d -> d.is(act));
    }
}
