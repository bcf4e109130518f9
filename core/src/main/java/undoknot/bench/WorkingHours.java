package undoknot.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import undoknot.plan.Promise;

/** When somebody works, as minutes after the start of a day; nights, closed days and days off are left out. */
public final class WorkingHours {

    /** Sums of such minutes still are numbers: a thousand years. */
    static final int FAR = 1 << 29;

    private static final int HALF_HOUR = 30;

    private WorkingHours() {}

    /**
     * @param start of the day
     * @param from first day looked at, and how many from there on
     * @param off on which the person is away
     */
    public static List<Window> of(Promise.Hours hours, Instant start, LocalDate from, int days, Set<LocalDate> off) {
        List<Window> windows = new ArrayList<>();
        for (int i = 0; i < days; i++) {
            LocalDate day = from.plusDays(i);
            if (!hours.days().contains(day.getDayOfWeek()) || off.contains(day)) {
                continue;
            }
            int opens = minute(hours, start, day, hours.opens());
            int closes = minute(hours, start, day, hours.closes());
            if (closes > 0) {
                windows.add(new Window(Math.max(0, opens), closes));
            }
        }
        return windows;
    }

    /** Minute at which the shop closes on a day, whether it opens on it or not. */
    public static int closing(Promise.Hours hours, Instant start, LocalDate day) {
        return minute(hours, start, day, hours.closes());
    }

    /** A time as it is said to a customer: the next half hour, at which the shop is open. */
    public static Instant said(Promise.Hours hours, Instant ready) {
        ZonedDateTime at = ready.atZone(hours.zone());
        ZonedDateTime half = at.truncatedTo(ChronoUnit.HOURS);
        while (half.isBefore(at)) {
            half = half.plusMinutes(HALF_HOUR);
        }
        if (hours.days().contains(at.getDayOfWeek())) {
            ZonedDateTime opens = at.toLocalDate().atTime(hours.opens()).atZone(hours.zone());
            ZonedDateTime closes = at.toLocalDate().atTime(hours.closes()).atZone(hours.zone());
            if (!at.isAfter(closes)) {
                ZonedDateTime open = half.isAfter(closes) ? closes : half;
                return (open.isBefore(opens) ? opens : open).toInstant();
            }
        }
        LocalDate day = at.toLocalDate().plusDays(1);
        while (!hours.days().contains(day.getDayOfWeek())) {
            day = day.plusDays(1);
        }
        return day.atTime(hours.opens()).atZone(hours.zone()).toInstant();
    }

    /** Whole minutes from the start of the day to a moment; what is centuries away stands at {@link #FAR}. */
    public static int minute(Instant start, Instant at) {
        long minutes = Math.floorDiv(Duration.between(start, at).toSeconds(), 60L);
        return (int) Math.max(-FAR, Math.min(FAR, minutes));
    }

    private static int minute(Promise.Hours hours, Instant start, LocalDate day, LocalTime time) {
        Instant at = day.atTime(time).atZone(hours.zone()).toInstant();
        return minute(start, at);
    }
}
