package undoknot.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import undoknot.plan.Promise;

/** When somebody works, as minutes after the start of a day; nights, closed days and days off are left out. */
public final class WorkingHours {

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

    private static int minute(Promise.Hours hours, Instant start, LocalDate day, LocalTime time) {
        Instant at = day.atTime(time).atZone(hours.zone()).toInstant();
        return (int) Math.floorDiv(Duration.between(start, at).toSeconds(), 60);
    }
}
