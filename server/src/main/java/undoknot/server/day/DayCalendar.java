package undoknot.server.day;

import java.util.Locale;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.springframework.stereotype.Component;
import undoknot.server.words.Words;

/** What one person has to do as a calendar file (RFC 5545). Ids stay the same, so that a file sent again replaces the first. */
@Component
class DayCalendar {

    private final Words words;

    DayCalendar(Words words) {
        this.words = words;
    }

    String of(KeptDay day, KeptDay.DayPerson person) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Undo Knot//Order of the day//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        for (KeptDay.DayHead head : day.heads()) {
            for (KeptDay.DayWork work : head.work()) {
                if (work.personId().equals(person.id())) {
                    calendar.add(event(day, head, work));
                }
            }
        }
        return calendar.toString();
    }

    private VEvent event(KeptDay day, KeptDay.DayHead head, KeptDay.DayWork work) {
        VEvent event = new VEvent(false);
        event.add(new Uid(head.visitId() + "-" + work.key().toLowerCase(Locale.ROOT) + "@undo-knot"));
        event.add(new DtStamp(day.madeAt()));
        event.add(new DtStart<>(work.from()));
        event.add(new DtEnd<>(work.until()));
        // A file of a later day counts more than one of an earlier.
        event.add(new Sequence(Math.toIntExact(day.madeAt().getEpochSecond() / 60)));
        event.add(new Summary(head.tag() + ": " + words.of("doing", work.doing())));
        event.add(new Description(head.headName() + ", tag " + head.tag() + ". "
                + (work.method() == null ? "" : Words.capital(words.of("method", work.method())) + ". ")));
        return event;
    }
}
