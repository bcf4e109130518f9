package undoknot.plan;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Set;

/** Whether a head will be ready on the day it is promised for, by what its plan still takes. */
public enum Promise {
    HOLDS,
    /** It is missed if the plan takes what it takes on average. */
    AT_RISK,
    /** It is missed even where all goes well. */
    MISSED;

    /** Days looked ahead at most: what takes longer than that is late. */
    private static final int FAR_DAYS = 400;

    /**
     * When somebody works.
     *
     * @param days on which the shop is open; none stands for every day
     */
    public record Hours(ZoneId zone, LocalTime opens, LocalTime closes, Set<DayOfWeek> days) {

        /** Where nobody said when the shop is open. */
        public static Hours unsaid(ZoneId zone) {
            return new Hours(zone, LocalTime.of(8, 0), LocalTime.of(18, 0), Set.of());
        }

        /** @throws IllegalArgumentException when it closes before it opens */
        public Hours {
            if (!opens.isBefore(closes)) {
                throw new IllegalArgumentException("opens must be before closes, was " + opens + " and " + closes);
            }
            days = days.isEmpty() ? Set.of(DayOfWeek.values()) : Set.copyOf(days);
        }

        /** When the shop closes on a day, also on one on which it does not open. */
        Instant closing(LocalDate day) {
            return day.atTime(closes).atZone(zone).toInstant();
        }
    }

    /**
     * What a plan still takes, minutes.
     *
     * @param waiting goes on by night as by day
     */
    public record Left(double hands, double waiting) {

        /** The same after something that still runs, min. */
        public Left andWait(double minutes) {
            return new Left(hands, waiting + minutes);
        }
    }

    /**
     * What a verdict rests on.
     *
     * @param by when the shop closes on the promised day
     * @param well when it is ready where all goes well
     * @param onAverage when it is ready on average
     */
    public record Reckoned(Promise verdict, Instant by, Instant well, Instant onAverage) {}

    /** @param well where all goes well */
    public static Reckoned of(Instant now, LocalDate promisedOn, Left well, Left onAverage, Hours hours) {
        Instant by = hours.closing(promisedOn);
        Instant best = ready(now, well, hours);
        Instant usual = ready(now, onAverage, hours);
        return new Reckoned(best.isAfter(by) ? MISSED : usual.isAfter(by) ? AT_RISK : HOLDS, by, best, usual);
    }

    /**
     * When it is ready at the earliest: the waits run by night as well, hands work in opening hours alone. Half of the work is laid
     * before the waits and half after them, since a wait is begun and ended by hands.
     */
    public static Instant ready(Instant now, Left left, Hours hours) {
        Instant begun = worked(now, left.hands / 2, hours);
        return worked(begun.plus(ofMinutes(left.waiting)), left.hands / 2, hours);
    }

    private static Instant worked(Instant from, double minutes, Hours hours) {
        Duration left = ofMinutes(minutes);
        ZonedDateTime at = from.atZone(hours.zone);
        for (int day = 0; day < FAR_DAYS && !left.isZero(); day++) {
            LocalDate date = from.atZone(hours.zone).toLocalDate().plusDays(day);
            if (!hours.days.contains(date.getDayOfWeek())) {
                continue;
            }
            ZonedDateTime opens = date.atTime(hours.opens).atZone(hours.zone);
            ZonedDateTime closes = date.atTime(hours.closes).atZone(hours.zone);
            ZonedDateTime start = at.isAfter(opens) ? at : opens;
            if (!start.isBefore(closes)) {
                continue;
            }
            Duration room = Duration.between(start, closes);
            if (left.compareTo(room) <= 0) {
                return start.plus(left).toInstant();
            }
            left = left.minus(room);
            at = closes;
        }
        // So far ahead that nobody promises it.
        return left.isZero() ? from : from.plus(Duration.ofDays(FAR_DAYS));
    }

    private static Duration ofMinutes(double minutes) {
        return Duration.ofSeconds(Math.round(minutes * 60));
    }
}
