package undoknot.finish;

import static undoknot.finish.Aftercare.Care.*;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import undoknot.diagnosis.Cause;
import undoknot.fluid.InkChemistry;
import undoknot.head.Construction;
import undoknot.outcome.Purpose;

/**
 * How a head is kept alive, by cause and ink (handbook 16). What is repeated has a rhythm and so a date; the rest is kept in
 * mind.
 *
 * @param everyDays rhythm, days; 0 for what has none
 * @param channels ink it is about; empty for the whole head
 */
public record Aftercare(Care care, int everyDays, List<String> channels) {

    /** So long after the return a head that comes back is followed up, days; the dates of the list reach as far. */
    public static final int FOLLOW_UP_DAYS = 90;

    public enum Care {
        FULL_PAGE,
        SHAKE,
        STATION,
        CHECK_FIRST,
        KEEP_CHECKS,
        MAINS_ON,
        CAP_WHEN_IDLE,
        HUMIDIFY,
        NEVER_EMPTY,
        REFILLS,
        LOOK_BEFORE_CLEANING,
        UNDERSIDE,
        DUST_COVER,
        DAMPER_DATES,
        STRIP_AFTER_EDGELESS,
        INK_WITH_RECORD,
        LEVELS_BY_EYE,
        SETUP_CARTRIDGES,
        NOTE_IF_BACK,
        NEVER_FOOD,
        LABEL_THE_PRINTER,
        WAKE_IT
    }

    static final int PAGE_DAYS = 7;

    /** "Every 2–3 days" and "2–3 times a week" both hold at this. */
    static final int SETTLING_DAYS = 3;

    static final int MONTH_DAYS = 30;

    static final int FORTNIGHT_DAYS = 14;

    /** What a cause asks for besides. */
    private static final Map<Cause, List<Care>> BY_CAUSE = new EnumMap<>(Map.ofEntries(
            Map.entry(Cause.DRIED_INK, List.of(MAINS_ON, CAP_WHEN_IDLE)),
            Map.entry(Cause.AIR, List.of(LEVELS_BY_EYE)),
            Map.entry(Cause.SUPPLY_RESTRICTED, List.of(LEVELS_BY_EYE, DAMPER_DATES)),
            Map.entry(Cause.CARTRIDGE_FAULT, List.of(LEVELS_BY_EYE)),
            Map.entry(Cause.SERVICE_STATION, List.of(LOOK_BEFORE_CLEANING)),
            Map.entry(Cause.FACE_DEBRIS, List.of(LOOK_BEFORE_CLEANING, UNDERSIDE, DUST_COVER)),
            Map.entry(Cause.CARRIAGE_DIRT, List.of(LOOK_BEFORE_CLEANING, UNDERSIDE)),
            Map.entry(Cause.ALIGNMENT_ENCODER, List.of(STRIP_AFTER_EDGELESS)),
            Map.entry(Cause.ELECTRICAL, List.of(NOTE_IF_BACK)),
            Map.entry(Cause.CONTACTS, List.of(NOTE_IF_BACK)),
            Map.entry(Cause.UNSUITABLE_INK, List.of(INK_WITH_RECORD))));

    /** What holds for every head. */
    private static final List<Care> ALWAYS = List.of(STATION, CHECK_FIRST, KEEP_CHECKS, MAINS_ON, CAP_WHEN_IDLE);

    public Aftercare {
        channels = List.copyOf(channels);
    }

    /**
     * What of a visit decides it.
     *
     * @param inks by channel, as they run now
     * @param causes what was wrong, or likely was
     * @param dryRoom whether the air where it prints is hot and dry
     * @param refills told of the cartridge that had most; null where nobody said
     * @param setupCartridges whether it came with those that were meant for filling the machine once
     * @param food whether it serves food
     */
    public record Of(
            Construction construction,
            Purpose purpose,
            Map<String, InkChemistry> inks,
            Collection<Cause> causes,
            boolean dryRoom,
            Integer refills,
            boolean setupCartridges,
            boolean food) {}

    public static List<Aftercare> of(Of head) {
        List<String> settling = head.inks().entrySet().stream()
                .filter(e -> e.getValue() == InkChemistry.SETTLING_PIGMENT)
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
        List<Aftercare> list = new ArrayList<>();
        if (head.purpose() == Purpose.SYSTEM_FLUSH) {
            // It stands full of cleaner: nothing prints, and what ink was saved settles in its bottle.
            shake(list, settling);
            list.add(new Aftercare(WAKE_IT, 0, List.of()));
            return List.copyOf(list);
        }
        list.add(new Aftercare(FULL_PAGE, settling.isEmpty() ? PAGE_DAYS : SETTLING_DAYS, List.of()));
        shake(list, settling);
        Stream.of(
                        ALWAYS.stream(),
                        head.causes().stream().flatMap(c -> BY_CAUSE.getOrDefault(c, List.of()).stream()),
                        Stream.of(HUMIDIFY).filter(c -> head.dryRoom()),
                        Stream.of(NEVER_EMPTY)
                                .filter(c -> head.construction() == Construction.THERMAL_BLADDER
                                        || head.construction() == Construction.THERMAL_OPEN),
                        Stream.of(SETUP_CARTRIDGES).filter(c -> head.setupCartridges()),
                        Stream.of(REFILLS).filter(c -> head.refills() != null && head.refills() > 0),
                        Stream.of(LABEL_THE_PRINTER, NEVER_FOOD)
                                .filter(c -> head.purpose() == Purpose.INK_CHANGE && !head.food()))
                .flatMap(care -> care)
                .distinct()
                .forEach(care -> list.add(new Aftercare(care, everyDays(care, head.causes()), List.of())));
        return List.copyOf(list);
    }

    private static int everyDays(Care care, Collection<Cause> causes) {
        return switch (care) {
            case STATION -> MONTH_DAYS;
            case UNDERSIDE -> causes.contains(Cause.CARRIAGE_DIRT) ? FORTNIGHT_DAYS : MONTH_DAYS;
            default -> 0;
        };
    }

    private static void shake(List<Aftercare> list, List<String> settling) {
        if (!settling.isEmpty()) {
            list.add(new Aftercare(SHAKE, SETTLING_DAYS, settling));
        }
    }

    /** The days on which it is due, from a return to the end of the follow-up; empty for what has no rhythm. */
    public List<LocalDate> dates(LocalDate returned) {
        return everyDays == 0
                ? List.of()
                : Stream.iterate(returned.plusDays(everyDays), day -> day.plusDays(everyDays))
                        .limit(FOLLOW_UP_DAYS / everyDays)
                        .toList();
    }
}
