package undoknot.server.demo;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.fluid.FluidKind;
import undoknot.server.account.AppUser;
import undoknot.server.account.AppUsers;
import undoknot.server.account.DemoAccounts;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.FluidLots;
import undoknot.server.waste.WasteContainer;
import undoknot.server.waste.WasteContainers;

/** Fills an empty shop with Lantern Quay Bench: accounts, bottles and heads at every stage. All of it is invented. */
@Component
@ConditionalOnProperty("undoknot.demo")
class DemoLoader {

    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

    private final AppUsers users;
    private final FluidLots lots;
    private final WasteContainers containers;
    private final DemoVisits visits;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final String demoPassword;

    DemoLoader(
            AppUsers users,
            FluidLots lots,
            WasteContainers containers,
            DemoVisits visits,
            PasswordEncoder passwords,
            Clock clock,
            @Value("${undoknot.demo-password}") String demoPassword) {
        this.users = users;
        this.lots = lots;
        this.containers = containers;
        this.visits = visits;
        this.passwords = passwords;
        this.clock = clock;
        this.demoPassword = demoPassword;
    }

    @EventListener(ApplicationStartedEvent.class)
    @Order(2)
    @Transactional
    public void load() {
        if (users.count() > 0) {
            return;
        }
        String hash = passwords.encode(demoPassword);
        for (DemoAccounts.DemoAccount account : DemoAccounts.ALL) {
            users.save(new AppUser(UUID.randomUUID(), account.name(), account.displayName(), hash, account.role()));
        }
        Map<String, FluidLot> shelf = new LinkedHashMap<>();
        ink(shelf, "inkK", "Quayside black dye", "IK-0311", 250, 164, "14.20");
        ink(shelf, "inkC", "Quayside cyan dye", "IC-0308", 250, 188, "14.20");
        ink(shelf, "inkM", "Quayside magenta dye", "IM-0310", 250, 97.5, "14.20");
        ink(shelf, "inkY", "Quayside yellow dye", "IY-0299", 250, 210, "14.20");
        ink(shelf, "inkH", "Nightshade hidden-mark ink", "HM-0042", 500, 500, "62.00");
        containers.save(new WasteContainer(UUID.randomUUID(), "Waste bottle at the bench", BigDecimal.valueOf(1000)));
        containers.save(new WasteContainer(UUID.randomUUID(), "Small waste bottle", BigDecimal.valueOf(250)));
        bottle(
                shelf,
                "head",
                "Cablecombe head cleaner",
                FluidKind.AQUEOUS_CLEANER,
                "Brackwater Works",
                "HC-0917",
                false,
                300,
                1000,
                412.5,
                "18.40");
        bottle(
                shelf,
                "headNew",
                "Cablecombe head cleaner",
                FluidKind.AQUEOUS_CLEANER,
                "Brackwater Works",
                "HC-1103",
                false,
                520,
                1000,
                1000,
                "18.90");
        bottle(
                shelf,
                "water",
                "Deionised water",
                FluidKind.DEIONISED_WATER,
                "Brackwater Works",
                "DW-2204",
                true,
                700,
                5000,
                3240,
                "6.50");
        bottle(
                shelf,
                "pigment",
                "Sluice pigment flush",
                FluidKind.PIGMENT_FLUSH,
                "Corrie & Loam",
                "PF-0076",
                false,
                210,
                500,
                186,
                "24.00");
        bottle(
                shelf,
                "food",
                "Clear Plate food-safe cleaner",
                FluidKind.FOOD_SAFE_CLEANER,
                "Corrie & Loam",
                "FS-3310",
                true,
                160,
                500,
                338,
                "31.20");
        bottle(
                shelf,
                "residue",
                "Driftoff residue remover",
                FluidKind.RESIDUE_REMOVER,
                "Corrie & Loam",
                "RR-0412",
                false,
                90,
                250,
                141,
                "27.80");
        bottle(
                shelf,
                "alcohol",
                "Isopropyl alcohol",
                FluidKind.ISOPROPYL_ALCOHOL,
                "Brackwater Works",
                "IP-5521",
                false,
                400,
                1000,
                655,
                "9.10");
        bottle(
                shelf,
                "old",
                "Cablecombe head cleaner",
                FluidKind.AQUEOUS_CLEANER,
                "Brackwater Works",
                "HC-0388",
                false,
                -24,
                1000,
                63,
                "17.90");
        bottle(
                shelf,
                "capping",
                "Capping fluid, one to one",
                FluidKind.CAPPING_FLUID,
                "Mixed at the bench",
                "CF-0042",
                false,
                40,
                500,
                290,
                "4.00");
        visits.make(shelf);
        lots.saveAll(shelf.values());
        LOG.info(
                "Demo data of Lantern Quay Bench made: {} accounts, {} bottles", DemoAccounts.ALL.size(), shelf.size());
    }

    private void ink(
            Map<String, FluidLot> shelf,
            String key,
            String name,
            String lotCode,
            double bottleMl,
            double remainingMl,
            String price) {
        bottle(shelf, key, name, FluidKind.INK, "Brackwater Works", lotCode, false, 420, bottleMl, remainingMl, price);
    }

    private void bottle(
            Map<String, FluidLot> shelf,
            String key,
            String name,
            FluidKind kind,
            String maker,
            String lotCode,
            boolean foodSafe,
            int goodForDays,
            double bottleMl,
            double remainingMl,
            String price) {
        FluidLot lot = new FluidLot(UUID.randomUUID());
        lot.name = name;
        lot.kind = kind;
        lot.maker = maker;
        lot.lotCode = lotCode;
        lot.foodSafe = foodSafe;
        lot.openedOn = remainingMl < bottleMl ? LocalDate.now(clock).minusDays(80) : null;
        lot.expiresOn = LocalDate.now(clock).plusDays(goodForDays);
        lot.bottleMl = BigDecimal.valueOf(bottleMl);
        lot.remainingMl = BigDecimal.valueOf(remainingMl);
        lot.price = new BigDecimal(price);
        lot.hazards = kind.givesVapour() ? "Flammable vapour; see its safety data" : "";
        shelf.put(key, lots.save(lot));
    }
}
