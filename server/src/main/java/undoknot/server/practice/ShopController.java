package undoknot.server.practice;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.Currency;
import java.util.Locale;
import java.util.Objects;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.server.shop.Shop;
import undoknot.server.shop.Shops;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;

/** The shop's name and address on paper, and its currency. */
@RestController
@RequestMapping("/api/shop")
class ShopController {

    private final Shops shops;
    private final RepeatableWrite writes;
    private final Clock clock;

    ShopController(Shops shops, RepeatableWrite writes, Clock clock) {
        this.shops = shops;
        this.writes = writes;
        this.clock = clock;
    }

    /** @param version absent while nobody has set anything */
    record ShopView(@Nullable Long version, String name, String address, String currency) {
        static ShopView of(Shop s) {
            return new ShopView(s.version, s.name, s.address, s.currency);
        }
    }

    /** @param version version that was seen; absent while nobody has set anything */
    record ShopEntry(
            @Nullable Long version,

            @NotBlank(message = "Enter the name of the shop.") @Size(max = 120, message = "Keep it to {max} signs.")
            String name,

            @Nullable @Size(max = 500, message = "Keep it to {max} signs.")
            String address,

            @NotNull(message = CURRENCY) String currency) {}

    private static final String CURRENCY = "Enter the three letters of a currency, such as EUR.";

    @GetMapping
    ShopView get() {
        return ShopView.of(shops.now());
    }

    @PutMapping
    ShopView put(@Valid @RequestBody ShopEntry entry) {
        if (SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(HttpStatus.FORBIDDEN, "lead-only", "Only a lead changes what the shop is called.");
        }
        String currency = currency(entry.currency());
        return writes.run(() -> {
            Shop shop = shops.now();
            Versions.check(shop.version, entry.version(), () -> ShopView.of(shop), entry);
            shop.name = entry.name().strip();
            shop.address = Objects.requireNonNullElse(entry.address(), "").strip();
            shop.currency = currency;
            shop.changedAt = clock.instant();
            shop.changedBy = SignedIn.now().displayName();
            return ShopView.of(shops.save(shop));
        });
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
