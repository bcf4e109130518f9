package undoknot.server.finish;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Recur;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.parameter.Related;
import net.fortuna.ical4j.model.property.Action;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.RRule;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Transp;
import net.fortuna.ical4j.model.property.Trigger;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.springframework.stereotype.Component;
import undoknot.finish.Aftercare;
import undoknot.server.shop.Shops;
import undoknot.server.visit.LoggedVisit;

/**
 * Aftercare as a calendar file (RFC 5545): whole days, an alarm at nine, and ids that stay the same, so that a file sent again
 * replaces the first.
 */
@Component
class CareCalendar {

    /** From the beginning of the day. */
    private static final Duration ALARM = Duration.ofHours(9);

    private final CareList list;
    private final Shops shops;
    private final Clock clock;

    CareCalendar(CareList list, Shops shops, Clock clock) {
        this.list = list;
        this.shops = shops;
        this.clock = clock;
    }

    String of(LoggedVisit logged) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Undo Knot//Aftercare//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        list.of(logged).stream()
                .filter(care -> care.everyDays() > 0)
                .forEach(care -> calendar.add(event(logged, care)));
        dryHold(logged, calendar);
        return calendar.toString();
    }

    private VEvent event(LoggedVisit logged, Aftercare care) {
        List<LocalDate> dates = care.dates(list.from(logged));
        VEvent event = event(logged, care.care().name(), dates.get(0), list.text(logged, care));
        event.add(new RRule<LocalDate>(new Recur.Builder<LocalDate>()
                .frequency(net.fortuna.ical4j.transform.recurrence.Frequency.DAILY)
                .interval(care.everyDays())
                .count(dates.size())
                .build()));
        return event;
    }

    /** A head that goes home in its dry hold brings along the day on which it may have power. */
    private void dryHold(LoggedVisit logged, Calendar calendar) {
        logged.headNow(clock.instant())
                .heldUntil()
                .map(until -> LocalDate.ofInstant(until, clock.getZone()))
                .ifPresent(day -> calendar.add(event(
                        logged, "POWER", day, "Printhead " + logged.visit().tag + " may have power from today on.")));
    }

    private VEvent event(LoggedVisit logged, String what, LocalDate day, String text) {
        Instant stamp = logged.visit().closedAt == null ? clock.instant() : logged.visit().closedAt;
        VEvent event = new VEvent(false);
        event.add(new Uid(logged.visit().id + "-" + what.toLowerCase(java.util.Locale.ROOT) + "@undo-knot"));
        event.add(new DtStamp(stamp));
        event.add(new DtStart<>(day));
        event.add(new Sequence(Math.toIntExact(logged.visit().version)));
        event.add(new Summary(text));
        event.add(new Description(
                text + " Head " + logged.head().serial + ", tag " + logged.visit().tag + ". " + shops.now().name));
        event.add(new Transp(Transp.VALUE_TRANSPARENT));
        VAlarm alarm = new VAlarm();
        alarm.add(new Action(Action.VALUE_DISPLAY));
        alarm.add(new Description(text));
        Trigger trigger = new Trigger(ALARM);
        trigger.add(Related.START);
        alarm.add(trigger);
        event.add(alarm);
        return event;
    }
}
