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

    /** @param well where all goes well */
    public static Promise of(Instant now, LocalDate promisedOn, Left well, Left onAverage, Hours hours) {
        Instant by = hours.closing(promisedOn);
        if (ready(now, well, hours).isAfter(by)) {
            return MISSED;
        }
        return ready(now, onAverage, hours).isAfter(by) ? AT_RISK : HOLDS;
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
        return left.isZero() ? from : Instant.MAX;
    }

    private static Duration ofMinutes(double minutes) {
        return Duration.ofSeconds(Math.round(minutes * 60));
    }
}
