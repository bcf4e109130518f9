package undoknot.server.shop;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.hibernate.envers.Audited;
import undoknot.plan.Promise;

/** The shop as it stands on paper, and the money it reckons in. There is one. */
@Entity
@Audited
@Table(name = "shop")
public class Shop {

    static final int ONLY = 1;

    @Id
    public int id = ONLY;

    @Version
    public Long version;

    public String name;
    public String address;

    /** Code of the currency, three letters. */
    public String currency;

    /** Time zone of what stands on paper; null for that of the server. */
    public String zone;

    /** When somebody is there, as HH:mm, and the days of the week by their names with commas; null where nobody said. */
    public String opens;

    public String closes;
    public String openDays;

    /** Units of those who have chosen none, as JSON; null for °C, mL and kPa. */
    public String units;

    public Instant changedAt;
    public String changedBy;

    protected Shop() {}

    /** Address, and when somebody is there, in one line. */
    public String addressAndHours() {
        if (opens == null || openDays == null) {
            return address;
        }
        String hours = "open " + days() + ", " + opens + " to " + closes;
        return address.isEmpty() ? hours : address + ", " + hours;
    }

    /** Days that follow each other from first to last, all others one by one. */
    private String days() {
        List<DayOfWeek> days = Arrays.stream(openDays.split(","))
                .map(DayOfWeek::valueOf)
                .sorted()
                .toList();
        int first = days.get(0).getValue();
        int last = days.get(days.size() - 1).getValue();
        if (days.size() > 2 && last - first == days.size() - 1) {
            return name(days.get(0)) + " to " + name(days.get(days.size() - 1));
        }
        return days.stream().map(Shop::name).collect(Collectors.joining(", "));
    }

    private static String name(DayOfWeek day) {
        return day.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }

    /** When work can be done; from 8 to 18 on every day where nobody said. */
    public Promise.Hours hours() {
        return opens == null || closes == null || openDays == null
                ? Promise.Hours.unsaid(zoneId())
                : new Promise.Hours(
                        zoneId(),
                        LocalTime.parse(opens),
                        LocalTime.parse(closes),
                        Arrays.stream(openDays.split(","))
                                .map(DayOfWeek::valueOf)
                                .collect(Collectors.toSet()));
    }

    /** In which the times on paper are. */
    public ZoneId zoneId() {
        return zone == null ? ZoneId.systemDefault() : ZoneId.of(zone);
    }

    Shop(String name, String address, String currency) {
        this.name = name;
        this.address = address;
        this.currency = currency;
    }
}
