package undoknot.diagnosis;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import undoknot.observation.Sign;

/**
 * What every sign speaks for and against (handbook 6 and 7): a row a sign, a column a cause. {@code +++} strong, {@code ++}
 * moderate, {@code +} weak, {@code .} says nothing, {@code -}, {@code --}, {@code ---} the same against. Coarser readings
 * carry smaller weights. To change a rule, change a mark here and an example in the test.
 */
public final class Likelihoods {

    private static final String TABLE = """
        #                        dried air  supp cart stat debr carr elec cont alig plat unsu not
        IDLE_SHORT               --    .    .    .    .    .    .    .    .    .    .    .    .
        IDLE_OVER_WEEK           ++    .    .    .    .    .    .    .    .    .    .    .    .
        IDLE_OVER_MONTH          ++    .    +    .    .    .    .    .    .    .    .    .    .
        HOT_DRY                  +     .    .    .    .    .    .    .    .    .    .    .    .
        UNPOWERED                +     .    .    .    .    .    .    .    .    .    .    .    .
        INK_OLD                  +     .    .    .    .    .    .    .    .    .    .    +    .
        SETTLING_INK             +     .    ++   .    .    .    .    .    .    .    .    .    .
        THIRD_PARTY_INK          .     .    .    .    .    .    .    .    .    .    .    ++   .
        REFILLED_TOO_OFTEN       .     +    .    ++   .    .    .    .    .    .    .    +    .
        SETUP_CARTRIDGES         .     .    .    ++   .    .    .    .    .    .    .    .    .
        CARTRIDGE_LEFT_OUT       +     ++   .    .    .    .    .    .    .    .    .    .    .
        PRINTED_EMPTY            .     +    .    +    .    .    .    ++   .    .    .    .    .
        DAMPERS_WORN             .     .    ++   .    .    .    .    .    .    .    .    .    .
        POURED_IN                .     +    .    .    .    .    .    .    .    .    .    +    .
        SOME_CYCLES              .     .    .    .    .    .    .    .    .    .    .    .    .
        MANY_CYCLES              .     .    .    .    +    .    .    .    .    .    .    .    .
        TOLD_GAPS_ONE_COLOUR     .     .    .    -    --   .    .    .    .    -    .    --   -
        TOLD_GAPS_SEVERAL        .     -    -    --   +    -    .    -    .    -    -    +    -
        TOLD_ONE_COLOUR_GONE     -     +    .    ++   +    --   -    -    .    -    --   --   -
        TOLD_EVERYTHING_BLANK    -     -    -    -    +    --   -    -    ++   -    -    -    ++
        TOLD_STARVES             --    +    +++  +    -    --   -    --   .    -    --   -    -
        TOLD_STOPS               --    +    ++   +    .    --   -    -    .    -    --   --   +
        TOLD_PALE_EDGE           .     .    +    .    .    .    .    .    .    .    .    .    .
        TOLD_STRIPE              .     +    .    .    .    +    .    .    .    +    .    .    .
        TOLD_WANDERS             --    ++   ++   -    .    --   -    --   .    -    --   -    -
        TOLD_NEVER_MOVES         +     --   --   .    -    ++   -    ++   .    -    +    -    -
        TOLD_MORE_AFTER_CLEANING -     .    .    -    +++  -    .    -    .    -    -    +    -
        TOLD_HALF_PALE           -     .    -    -    -    -    -    +++  .    -    -    -    -
        TOLD_COLOUR_REPLACED     -     .    -    .    ++   -    .    -    .    -    ++   .    -
        TOLD_SMEARS              -     -    -    -    +    -    +++  -    .    -    +    .    -
        TOLD_BANDING             -     -    -    -    -    -    .    -    .    +++  .    -    -
        TOLD_HEAD_ERROR          -     -    -    -    -    -    -    .    +++  -    -    -    +
        TOLD_OVERHEAT            .     .    ++   .    .    -    .    +    .    .    .    .    .
        TOLD_NOT_RECOGNISED      -     -    -    +    -    -    -    -    +++  -    -    -    -
        TOLD_CARRIAGE_STANDS     -     -    -    -    -    -    -    -    .    +    -    -    +++
        TOLD_IN_CHANNEL          .     .    .    .    .    .    .    .    .    .    .    .    .
        TOLD_NO_COMPLAINT        .     .    .    .    .    .    .    .    .    .    .    .    .
        TOLD_AT_PLACE            .     .    .    .    .    .    .    .    .    .    .    .    .

        NO_CHECK                 ---   ---  ---  ---  ---  ---  --   -    ++   -    ---  ---  ++
        ALL_FIRING               ---  --   --   ---  --   ---  +++  ---  --   +++  .    --   --
        GAPS_IN_MOST             --   -    -    -    +++  -    --   -    --   --   -    +++  --
        GAPS_IN_MOST_IDLE        +    -    -    -    +    -    --   -    --   --   -    ++   --
        GAPS_IN_FEW              .     .    .    .    --   .    -    .    -    -    .    --   -
        WHOLLY_OUT               -    ++   -    +++  .    ---  --   --   --   --   ---  --   --
        WHOLLY_OUT_ALONE         --   ++   -    +++  +    ---  --   --   --   --   ---  --   --
        WHOLLY_OUT_IDLE          +    +    -    ++   .    ---  --   --   --   --   ---  --   --
        ALL_BLANK                -     --   --   --   ++   ---  -    -    .    -    ---  -    .
        GROUP_FILLED             ---  --   ---  ---  ---  ---  --   ++++ --   --   ---  ---  --
        DENSITY_STEP             --    .    -    -    -    -    .    +++  .    .    -    -    .
        SCATTERED                ++   --   .    ---  +    --   --   ---  --   --   -    +    --
        LONG_RUN                 -    ++   .    --   --   -    --   -    --   --   --   --   --
        ENDS_WORST               --   -    +++  ---  -    --   --   ---  --   --   --   -    --
        DENSE_WITH_DEFLECTED     --   --   --   ---  --   +++  --   ---  --   --   +    --   --
        DENSE_RUN                .    -    --   ---  -    ++   --   --   --   --   .    -    --
        DEFLECTED_CLUSTER        ---  ---  --   ---  ---  -    --   ---  --   --   ++++ --   --
        FOREIGN_COLOUR           -     .    .    .    ++   .    .    -    .    .    ++   .    .

        WANDERS                  ---   +++  ++   ---  -    ---  .    ---  .    .    ---  -    .
        FIXED_AFTER_CYCLE        +     ---  ---  +    -    +    .    ++   .    .    +    +    .
        SHRINKS_AFTER_CYCLE      ++    .    -    --   -    --   .    ---  .    .    -    -    .
        FIXED_AFTER_FLUSH        -     --   -    +    .    ++   .    ++   .    .    +    .    .
        SHRINKS_AFTER_FLUSH      ++    .    -    --   .    -    .    ---  .    .    -    .    .
        UNCHANGED_TWO_ROUNDS     -     ---  ---  +    --   +    .    ++   .    .    +    -    .
        NEWLY_OUT_AFTER_CYCLE    .    .    .    -    +++  .    .    .    .    .    .    +    .
        WHOLLY_OUT_AFTER_FLUSH   -     +++  .    .    -    --   .    -    .    .    --   -    .
        BETTER_AFTER_STATION     .     .    .    --   ++   -    .    ---  .    .    -    .    .
        BETTER_AFTER_FACE        -     -    -    --   .    +++  .    ---  .    .    --   -    .
        BETTER_AFTER_AIR         -     +++  .    --   -    --   .    ---  .    .    --   -    .
        BETTER_AFTER_CARTRIDGE   -     +    .    +++  -    --   .    ---  .    .    --   -    .
        BETTER_AFTER_SUPPLY      -     +    +++  --   -    --   .    ---  .    .    --   -    .
        SAME_AFTER_STATION       .     .    .    .    -    .    .    .    .    .    .    .    .
        SAME_AFTER_FACE          .     .    .    .    .    --   .    .    .    .    .    .    .
        SAME_AFTER_AIR           .     --   .    .    .    .    .    .    .    .    .    .    .
        SAME_AFTER_CARTRIDGE     .     .    .    --   .    .    .    .    .    .    .    .    .
        SAME_AFTER_SUPPLY        .     .    --   .    .    .    .    .    .    .    .    .    .
        BACK_AFTER_REST          -     -    .    --   .    --   .    --   .    .    -    +++  .

        BAR_PALE                 .     .    +    .    .    .    .    .    .    .    .    .    .
        BAR_STREAKED             +     .    .    --   .    .    .    .    .    .    .    .    .
        STREAM_NONE              ++    .    .    .    .    -    .    -    .    .    -    .    .
        STREAM_BROKEN            +     .    .    .    .    +    .    -    .    .    .    +    .
        STREAM_WHOLE             --    .    .    .    .    .    .    +    .    .    .    -    .
        PAD_PART                 +     .    .    .    .    +    .    -    .    .    .    .    .

        FLOW_FREE                --    .    .    .    .    +    .    +    .    .    .    -    .
        FLOW_STIFF               ++    .    +    .    .    -    .    -    .    .    -    +    .
        FLOW_EASED               ++    .    .    .    .    -    .    --   .    .    -    .    .
        FLOW_NONE                ++    .    .    .    .    --   .    --   .    .    -    +    .
        EFFLUENT_RESIDUE         .     -    +    .    .    .    .    -    .    .    .    +++  .
        EFFLUENT_BUBBLES         .     ++   .    .    .    .    .    .    .    .    .    .    .
        ALIGN_UNSETTLED          .     .    .    .    .    .    .    .    .    +++  .    .    .

        ERRORS_NONE              .     .    .    .    .    .    .    .    --   .    .    .    --
        ERROR_EXPECTED_BACK      .     .    .    .    .    .    .    .    ++   .    .    .    .
        ERROR_STANDS             .     .    .    .    .    .    .    .    ++   .    .    .    ++
        MOVES_FREELY             .     .    .    .    .    .    .    .    .    .    .    .    ---
        CABLE_LOOSE              -     .    .    .    .    .    .    .    ++   .    .    .    .
        CARRIAGE_STANDS          -     -    -    -    -    -    -    -    -    .    -    -    +++
        INK_THERE                .     .    .    ---  .    .    .    .    .    .    .    .    .
        SPONGE_DRY               .     .    .    +++  .    .    .    .    .    .    .    .    .
        VENT_CLOSED              .     .    .    +++  .    .    .    .    .    .    .    .    .
        RECOGNISED               .     .    .    .    .    .    .    .    --   .    .    .    .
        RECOGNISED_ONCE_CLEANED  .     .    .    .    .    .    .    .    +++  .    .    .    .
        NOT_RECOGNISED           .     .    .    .    .    .    .    .    ++   .    .    .    +
        SEAT_SOUND               .     -    .    -    .    .    .    .    .    .    .    .    .
        SEAT_LEAKS               .     ++   .    +    .    .    .    .    .    .    .    .    .
        DAMPER_FULL              .     ---  .    -    .    .    .    .    .    .    .    .    .
        DAMPER_EMPTY             -     +++  +    .    -    -    .    -    .    .    -    -    .
        PULL_FREE                .     .    --   .    .    .    .    .    .    .    .    .    .
        PULL_DRAGS               .     .    +++  .    .    .    .    .    .    .    .    .    .
        PULL_BLOCKED             .     .    +++  .    .    .    .    .    .    .    .    .    .
        LINE_CLEAR               .     .    --   .    .    .    .    .    .    .    .    .    .
        LINE_SEDIMENT            .     .    +++  .    .    .    .    .    .    .    .    .    .
        STATION_CLEAN            .     .    .    .    ---  .    .    .    .    .    .    .    .
        STATION_CRUSTED          .     .    .    .    +++  .    .    .    .    .    .    -    .
        UNDERSIDE_CLEAN          .     .    .    .    .    .    ---  .    .    .    .    .    .
        UNDERSIDE_FLAKES         .    .    .    .    .    .    ++++ .    .    .    .    .    .
        WASTE_ROOM               .     .    .    .    .    .    .    .    .    .    .    .    .
        WASTE_FULL               .     .    .    .    .    .    .    .    .    .    .    .    .
        STRIP_CLEAN              .     .    .    .    .    .    .    .    .    --   .    .    -
        STRIP_SMEARED            .    .    .    .    .    .    .    .    .    ++++ .    .    .
        FACE_CLEAN               .     .    .    .    .    ---  .    +    .    .    --   .    .
        FACE_DIRTY               -     -    -    -    .    +++  .    -    .    .    .    .    .
        FACE_MARKED              .     .    .    .    .    --   .    +    .    .    .    .    .
        FACE_DAMAGED             -     .    .    .    .    .    .    -    .    .    +++  .    .
        DROPS_THROUGH            ---   .    .    .    .    .    .    .    .    .    .    --   .
        DROPS_SLOW               ++    .    .    .    .    -    .    --   .    .    -    ++   .
        DROPS_BLOCKED            ++    .    .    .    .    --   .    --   .    .    -    +    .
        CONTACTS_SOUND           .     .    .    .    .    .    .    .    ---  .    .    .    .
        CONTACTS_DIRTY           .     .    .    .    .    .    .    +    +++  .    .    .    .
        COOL_RUNS                .     .    +    .    .    .    .    .    .    .    .    .    .
        COOL_NO_CHANGE           .     .    .    .    .    .    .    +    .    .    .    .    .
        PAGE_REACHES             .    .    .    .    .    .    .    .    .    .    .    .    .
        PAGE_FAILS               .    +    ++   .    .    .    .    .    .    .    .    .    .
        LONG_PRINT_HELD          .    .    .    .    .    .    .    .    .    .    .    .    .
        LONG_PRINT_STOPPED       .    .    ++   .    .    .    .    .    .    .    .    .    .
        PAGE_CLEAN               .    .    .    .    .    .    .    .    .    .    .    .    .
        PAGE_DIRTY               .    .    .    .    .    .    +++  .    .    .    .    .    .
        """;

    private static final Map<Sign, Weight[]> ROWS = rows();

    private Likelihoods() {}

    private static Map<Sign, Weight[]> rows() {
        Map<Sign, Weight[]> rows = new EnumMap<>(Sign.class);
        int causes = Cause.values().length;
        for (String line : TABLE.lines().map(String::strip).toList()) {
            if (line.isEmpty() || line.startsWith("#")) {
                continue;
            }
            String[] cells = line.split("\\s+");
            Weight[] row = new Weight[causes];
            if (cells.length != causes + 1) {
                throw new IllegalStateException("the row " + cells[0] + " has " + (cells.length - 1) + " marks");
            }
            for (int i = 0; i < causes; i++) {
                row[i] = Weight.ofMark(cells[i + 1]);
            }
            if (rows.put(Sign.valueOf(cells[0]), row) != null) {
                throw new IllegalStateException("the row " + cells[0] + " stands twice");
            }
        }
        for (Sign sign : Sign.values()) {
            if (!rows.containsKey(sign)) {
                throw new IllegalStateException("the table has no row for " + sign);
            }
        }
        return rows;
    }

    /** The cause that a sign tells of: the one it speaks for most, and not just weakly; empty where there is none. */
    public static Optional<Cause> toldBy(Sign sign) {
        return Arrays.stream(Cause.values())
                .max(Comparator.comparingDouble(cause -> weight(sign, cause).ratio()))
                .filter(cause -> weight(sign, cause).ratio() >= Weight.MODERATE.ratio());
    }

    public static Weight weight(Sign sign, Cause cause) {
        return ROWS.get(sign)[cause.ordinal()];
    }
}
