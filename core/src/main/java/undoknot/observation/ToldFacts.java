package undoknot.observation;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What was told at take-in, as far as it speaks for a cause (handbook 4). What nobody knows is null.
 *
 * @param settlingChannels channels that carry an ink that settles fast
 * @param otherInkChannels channels that carry ink that is not the maker's own
 */
public record ToldFacts(
        Integer idleDays,
        boolean hotDry,
        boolean unpowered,
        Integer inkAgeMonths,
        Integer refills,
        boolean setupCartridges,
        boolean leftOut,
        boolean printedEmpty,
        Integer damperAgeMonths,
        Integer dampersCleaned,
        Integer cyclesBefore,
        Set<String> settlingChannels,
        Set<String> otherInkChannels,
        List<Symptom> symptoms) {

    private static final int WEEK_DAYS = 7;
    private static final int MONTH_DAYS = 30;
    private static final int SHORT_DAYS = 2;
    private static final int OLD_INK_MONTHS = 24;
    private static final int REFILLS_ALLOWED = 2;
    private static final int WORN_DAMPER_MONTHS = 24;
    private static final int DAMPER_CLEANINGS = 2;
    private static final int MANY_CYCLES = 3;

    private static final Map<Symptom, Sign> SIGNS = new EnumMap<>(Map.ofEntries(
            Map.entry(Symptom.GAPS_ONE_COLOUR, Sign.TOLD_GAPS_ONE_COLOUR),
            Map.entry(Symptom.GAPS_SEVERAL, Sign.TOLD_GAPS_SEVERAL),
            Map.entry(Symptom.ONE_COLOUR_GONE, Sign.TOLD_ONE_COLOUR_GONE),
            Map.entry(Symptom.EVERYTHING_BLANK, Sign.TOLD_EVERYTHING_BLANK),
            Map.entry(Symptom.STARVES_DOWN_THE_SHEET, Sign.TOLD_STARVES),
            Map.entry(Symptom.STOPS_BETWEEN_PAGES, Sign.TOLD_STOPS),
            Map.entry(Symptom.PALE_ALONG_AN_EDGE, Sign.TOLD_PALE_EDGE),
            Map.entry(Symptom.STRIPE_ACROSS, Sign.TOLD_STRIPE),
            Map.entry(Symptom.GAPS_WANDER, Sign.TOLD_WANDERS),
            Map.entry(Symptom.GAPS_NEVER_MOVE, Sign.TOLD_NEVER_MOVES),
            Map.entry(Symptom.MORE_AFTER_CLEANING, Sign.TOLD_MORE_AFTER_CLEANING),
            Map.entry(Symptom.HALF_CHANNEL_PALE, Sign.TOLD_HALF_PALE),
            Map.entry(Symptom.COLOUR_REPLACED, Sign.TOLD_COLOUR_REPLACED),
            Map.entry(Symptom.SMEARS, Sign.TOLD_SMEARS),
            Map.entry(Symptom.BANDING_ALL_FIRING, Sign.TOLD_BANDING),
            Map.entry(Symptom.HEAD_ERROR, Sign.TOLD_HEAD_ERROR),
            Map.entry(Symptom.OVERHEAT_STOP, Sign.TOLD_OVERHEAT),
            Map.entry(Symptom.CARTRIDGE_NOT_RECOGNISED, Sign.TOLD_NOT_RECOGNISED),
            Map.entry(Symptom.CARRIAGE_STANDS, Sign.TOLD_CARRIAGE_STANDS)));

    public ToldFacts {
        settlingChannels = Set.copyOf(settlingChannels);
        otherInkChannels = Set.copyOf(otherInkChannels);
        symptoms = List.copyOf(symptoms);
    }

    /** Nothing but symptoms is known. */
    public static ToldFacts symptoms(Symptom... symptoms) {
        return new ToldFacts(
                null,
                false,
                false,
                null,
                null,
                false,
                false,
                false,
                null,
                null,
                null,
                Set.of(),
                Set.of(),
                List.of(symptoms));
    }

    /** The same with another time idle, days. */
    public ToldFacts idle(int days) {
        return new ToldFacts(
                days,
                hotDry,
                unpowered,
                inkAgeMonths,
                refills,
                setupCartridges,
                leftOut,
                printedEmpty,
                damperAgeMonths,
                dampersCleaned,
                cyclesBefore,
                settlingChannels,
                otherInkChannels,
                symptoms);
    }

    public List<Observation> observations() {
        List<Observation> signs = new ArrayList<>();
        if (idleDays != null && idleDays > WEEK_DAYS) {
            add(signs, idleDays > MONTH_DAYS ? Sign.IDLE_OVER_MONTH : Sign.IDLE_OVER_WEEK, Fact.DAYS, idleDays);
        }
        if (idleDays != null && idleDays <= SHORT_DAYS) {
            add(signs, Sign.IDLE_SHORT, Fact.DAYS, idleDays);
        }
        addIf(signs, hotDry, Sign.HOT_DRY);
        addIf(signs, unpowered, Sign.UNPOWERED);
        if (inkAgeMonths != null && inkAgeMonths > OLD_INK_MONTHS) {
            add(signs, Sign.INK_OLD, Fact.MONTHS, inkAgeMonths);
        }
        settlingChannels.stream().sorted().forEach(c -> signs.add(Observation.of(Sign.SETTLING_INK, c)));
        otherInkChannels.stream().sorted().forEach(c -> signs.add(Observation.of(Sign.THIRD_PARTY_INK, c)));
        if (refills != null && refills > REFILLS_ALLOWED) {
            add(signs, Sign.REFILLED_TOO_OFTEN, Fact.TIMES, refills);
        }
        addIf(signs, setupCartridges, Sign.SETUP_CARTRIDGES);
        addIf(signs, leftOut, Sign.CARTRIDGE_LEFT_OUT);
        addIf(signs, printedEmpty, Sign.PRINTED_EMPTY);
        boolean old = damperAgeMonths != null && damperAgeMonths > WORN_DAMPER_MONTHS;
        addIf(signs, old || (dampersCleaned != null && dampersCleaned >= DAMPER_CLEANINGS), Sign.DAMPERS_WORN);
        if (cyclesBefore != null && cyclesBefore > 0) {
            add(signs, cyclesBefore >= MANY_CYCLES ? Sign.MANY_CYCLES : Sign.SOME_CYCLES, Fact.CYCLES, cyclesBefore);
        }
        symptoms.forEach(symptom -> signs.add(Observation.of(SIGNS.get(symptom))));
        return signs;
    }

    private static void addIf(List<Observation> signs, boolean holds, Sign sign) {
        if (holds) {
            signs.add(Observation.of(sign));
        }
    }

    private static void add(List<Observation> signs, Sign sign, Fact fact, int count) {
        signs.add(new Observation(sign, null, Map.of(fact, count), null));
    }
}
