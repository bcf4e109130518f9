package undoknot.server.view;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.head.Family;
import undoknot.head.Machine;
import undoknot.server.problem.Refused;
import undoknot.sitting.AlignmentPass;
import undoknot.sitting.Asked;
import undoknot.sitting.Noted;
import undoknot.sitting.Part;
import undoknot.sitting.PartWork;
import undoknot.sitting.Turn;
import undoknot.treatment.Method;

/** What was noted of work besides its channels, fluid and time, as it is entered and shown. */
public record NotedEntry(
        @Nullable Map<Asked, BigDecimal> answers,
        @Nullable @Valid List<PartEntry> parts,
        @Nullable @Valid List<TurnEntry> turns,
        @Nullable @Valid PassEntry pass) {

    /**
     * One pass of an alignment.
     *
     * @param scale as it was printed
     * @param best the step that looks best, one a position
     * @param accepted that it may stand although it did not settle; absent for no
     */
    public record PassEntry(
            @NotNull(message = "Say what scale was printed.")
            ScaleEntry scale,

            @NotNull(message = BEST) List<@NotNull(message = BEST) Integer> best,

            @Nullable Boolean accepted) {
        static PassEntry of(AlignmentPass p) {
            return p == null ? null : new PassEntry(ScaleEntry.of(p.scale()), p.best(), p.accepted());
        }

        AlignmentPass pass() {
            Machine.Alignment printed;
            try {
                printed = scale.scale();
            } catch (IllegalArgumentException e) {
                throw Refused.entry(
                        "noted.pass.scale", "RANGE", "Enter 1 to 40 positions, and a centre that lies on the scale.");
            }
            for (int i = 0; i < best.size(); i++) {
                if (best.get(i) < printed.least() || best.get(i) > printed.most()) {
                    throw Refused.entry(
                            "noted.pass.best[" + i + "]",
                            "RANGE",
                            "The scale goes from " + printed.least() + " to " + printed.most() + ".");
                }
            }
            if (best.size() != printed.positions()) {
                throw Refused.entry("noted.pass.best", "MISSING", BEST);
            }
            return new AlignmentPass(printed, best, Boolean.TRUE.equals(accepted));
        }
    }

    private static final String BEST = "Enter the step that looks best at every position.";

    /** The scale of an alignment; see {@link Machine.Alignment}. */
    public record ScaleEntry(int positions, int least, int most, int centre, boolean recentres) {
        public static ScaleEntry of(Machine.Alignment a) {
            return new ScaleEntry(a.positions(), a.least(), a.most(), a.centre(), a.recentres());
        }

        Machine.Alignment scale() {
            return new Machine.Alignment(positions, least, most, centre, recentres);
        }
    }

    /** @param channel whose part it is; absent for parts of the machine or the whole head */
    public record PartEntry(
            @NotNull Part part,
            @Nullable String channel,
            @NotNull(message = "Say what was done to it.") Part.Act act) {}

    /**
     * @param way where the water goes in; absent when nobody said
     * @param seen channels whose colour came out
     * @param clear channels that ran clear at its end
     */
    public record TurnEntry(
            @Nullable UUID id,
            @Nullable Instant at,

            @NotNull(message = "Say where the water goes in.")
            Turn.Way way,

            @NotNull Set<String> seen,
            @NotNull Set<String> clear,
            @Nullable Boolean lumps,

            @Nullable
            @DecimalMin(value = "1", message = TreatmentEntry.TEMPERATURE)
            @DecimalMax(value = "99", message = TreatmentEntry.TEMPERATURE)
            Double waterC,

            @Nullable Boolean deionised) {
        static TurnEntry of(Turn t) {
            return new TurnEntry(t.id(), t.at(), t.way(), t.seen(), t.clear(), t.lumps(), t.waterC(), t.deionised());
        }

        /** The same under a key and a time that the server gives, its channels in the order of the ports. */
        public Turn turn(UUID key, Instant when, Family family) {
            return new Turn(key, when, way, inOrder(seen, family), inOrder(clear, family), lumps, waterC, deionised);
        }

        private static Set<String> inOrder(Set<String> codes, Family family) {
            for (String code : codes) {
                known(code, family, "turn.seen");
            }
            Set<String> ordered = new LinkedHashSet<>();
            family.channels().stream()
                    .map(c -> c.code())
                    .filter(codes::contains)
                    .forEach(ordered::add);
            return ordered;
        }
    }

    @Nullable
    public static NotedEntry of(Noted noted) {
        return noted.equals(Noted.NOTHING)
                ? null
                : new NotedEntry(
                        noted.answers(),
                        noted.parts().stream()
                                .map(p -> new PartEntry(p.part(), p.channel(), p.act()))
                                .toList(),
                        noted.turns().stream().map(TurnEntry::of).toList(),
                        PassEntry.of(noted.pass()));
    }

    /**
     * What was noted of a method on a head; turns are noted as they happen.
     *
     * @throws Refused on an answer that is not asked of the method or cannot be, and on a part that this head has not got
     */
    public Noted noted(Method method, Family family) {
        Map<Asked, BigDecimal> said = new EnumMap<>(Asked.class);
        if (answers != null) {
            answers.forEach((asked, value) -> {
                if (value == null) {
                    return;
                }
                if (!asked.isAskedOf(method) || !asked.takes(value)) {
                    throw Refused.entry(
                            "noted.answers." + asked,
                            "RANGE",
                            asked.isAskedOf(method)
                                    ? "Enter 0 to " + asked.most() + "."
                                    : "This is not asked of this work. Leave it out.");
                }
                said.put(asked, value);
            });
        }
        return new Noted(
                said,
                parts == null
                        ? List.of()
                        : parts.stream().map(p -> work(p, family)).toList(),
                List.of(),
                method == Method.ALIGN && pass != null ? pass.pass() : null);
    }

    private static PartWork work(PartEntry entry, Family family) {
        if (entry.channel() != null) {
            known(entry.channel(), family, "noted.parts");
        }
        try {
            return new PartWork(entry.part(), entry.channel(), entry.act());
        } catch (IllegalArgumentException e) {
            throw Refused.entry(
                    "noted.parts",
                    "PART",
                    entry.part().isPerChannel() && entry.channel() == null
                            ? "Say of which channel the part is."
                            : "That cannot be done to this part. Choose what was done.");
        }
    }

    private static void known(String code, Family family, String field) {
        if (family.channel(code).isEmpty()) {
            throw Refused.entry(field, "UNKNOWN", "This head has no channel " + code + ".");
        }
    }
}
