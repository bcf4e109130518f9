package undoknot.server.practice;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Currency;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.account.Units;
import undoknot.server.problem.Refused;
import undoknot.server.shop.Shop;
import undoknot.server.shop.Shops;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.StoredJson;
import undoknot.server.write.Versions;

/** The shop's name and address on paper, and its currency. */
@RestController
@RequestMapping("/api/shop")
class ShopController {

    private final Shops shops;
    private final RepeatableWrite writes;
    private final StoredJson stored;
    private final Clock clock;

    ShopController(Shops shops, RepeatableWrite writes, StoredJson stored, Clock clock) {
        this.stored = stored;
        this.shops = shops;
        this.writes = writes;
        this.clock = clock;
    }

    /**
     * When somebody is there.
     *
     * @param opens as HH:mm, before {@code closes}
     */
    record Hours(
            @NotNull(message = TIME) @Pattern(regexp = CLOCK, message = TIME)
            String opens,

            @NotNull(message = TIME) @Pattern(regexp = CLOCK, message = TIME)
            String closes,

            @NotEmpty(message = "Choose at least one day.") @Size(max = 7, message = "A week has seven days.")
            Set<DayOfWeek> days) {

        static Hours of(Shop s) {
            return s.opens == null
                    ? null
                    : new Hours(
                            s.opens,
                            s.closes,
                            Arrays.stream(s.openDays.split(","))
                                    .map(DayOfWeek::valueOf)
                                    .collect(Collectors.toCollection(() -> EnumSet.noneOf(DayOfWeek.class))));
        }
    }

    /**
     * @param version absent while nobody has set anything
     * @param zone time zone of what stands on paper
     * @param units of those who have chosen none
     */
    record ShopView(
            @Nullable Long version,
            String name,
            String address,
            String currency,
            String zone,
            @Nullable Hours hours,
            Units units) {}

    private ShopView view(Shop s) {
        return new ShopView(
                s.version,
                s.name,
                s.address,
                s.currency,
                s.zoneId().getId(),
                Hours.of(s),
                s.units == null ? Units.USUAL : stored.read(s.units, Units.class));
    }

    /**
     * @param version version that was seen; absent while nobody has set anything
     * @param zone such as Europe/Lisbon; as it stands where absent, like hours and units
     */
    record ShopEntry(
            @Nullable Long version,

            @NotBlank(message = "Enter the name of the shop.") @Size(max = 120, message = "Keep it to {max} signs.")
            String name,

            @Nullable @Size(max = 500, message = "Keep it to {max} signs.")
            String address,

            @NotNull(message = CURRENCY) String currency,

            @Nullable @Size(max = 60, message = ZONE) String zone,
            @Nullable @Valid Hours hours,
            @Nullable @Valid Units units) {}

    private static final String CLOCK = "([01]\\d|2[0-3]):[0-5]\\d";
    private static final String TIME = "Enter a time of day, such as 08:30.";
    private static final String ZONE = "Choose a time zone, such as Europe/Lisbon.";
    private static final String CURRENCY = "Enter the three letters of a currency, such as EUR.";

    @GetMapping
    ShopView get() {
        return view(shops.now());
    }

    @PutMapping
    ShopView put(@Valid @RequestBody ShopEntry entry) {
        if (SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(HttpStatus.FORBIDDEN, "lead-only", "Only a lead changes what the shop is called.");
        }
        String currency = currency(entry.currency());
        String zone = entry.zone() == null ? null : zone(entry.zone());
        if (entry.hours() != null
                && entry.hours().opens().compareTo(entry.hours().closes()) >= 0) {
            throw Refused.entry("hours.closes", "ORDER", "The shop closes after it opens. Enter a later time.");
        }
        return writes.run(() -> {
            Shop shop = shops.now();
            Versions.check(shop.version, entry.version(), () -> view(shop), entry);
            shop.name = entry.name().strip();
            shop.address = Objects.requireNonNullElse(entry.address(), "").strip();
            shop.currency = currency;
            if (zone != null) {
                shop.zone = zone;
            }
            if (entry.hours() != null) {
                shop.opens = entry.hours().opens();
                shop.closes = entry.hours().closes();
                shop.openDays = entry.hours().days().stream()
                        .sorted()
                        .map(DayOfWeek::name)
                        .collect(Collectors.joining(","));
            }
            if (entry.units() != null) {
                shop.units = stored.write(entry.units());
            }
            shop.changedAt = clock.instant();
            shop.changedBy = SignedIn.now().displayName();
            return view(shops.save(shop));
        });
    }

    private static String zone(String entered) {
        if (!ZoneId.getAvailableZoneIds().contains(entered.strip())) {
            throw Refused.entry("zone", "UNKNOWN", ZONE);
        }
        return entered.strip();
    }

    private static String currency(String entered) {
        try {
            return Currency.getInstance(entered.strip().toUpperCase(Locale.ROOT))
                    .getCurrencyCode();
        } catch (IllegalArgumentException e) {
            throw Refused.entry("currency", "UNKNOWN", CURRENCY);
        }
    }
}
