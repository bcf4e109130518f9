package undoknot.server.demo;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.head.Tag;
import undoknot.server.fluid.FluidLot;
import undoknot.server.head.Families;
import undoknot.server.head.Head;
import undoknot.server.outcome.Ledger;
import undoknot.server.standin.StandInRow;
import undoknot.server.visit.Customer;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.StoredJson;

/** The visits of the demo: heads at every stage, and the histories that a bench knows. */
@Component
class DemoVisits {

    private final EntityManager entities;
    private final Families families;
    private final StoredJson stored;
    private final Ledger ledger;
    private final VisitLoader loader;
    private final Clock clock;

    DemoVisits(
            EntityManager entities,
            Families families,
            StoredJson stored,
            VisitLoader loader,
            Ledger ledger,
            Clock clock) {
        this.entities = entities;
        this.families = families;
        this.stored = stored;
        this.ledger = ledger;
        this.loader = loader;
        this.clock = clock;
    }

    void make(Map<String, FluidLot> shelf) {
        DemoShop shop = new DemoShop(families.byCode(), shelf, clock.instant(), stored);
        DemoHistories past = new DemoHistories(shop);
        DemoOnTheBench bench = new DemoOnTheBench(shop);
        List<DemoVisit> all = new ArrayList<>();
        all.addAll(List.of(
                past.cleanRecovery(),
                past.wanderingAir(),
                past.deadDriveGroup(),
                past.stationThatReclogs(),
                past.silverSupply()));
        all.addAll(List.of(
                bench.inHold(),
                bench.foodHead(),
                bench.inkChange(),
                bench.laidUp(),
                past.firstStay(),
                past.secondStay(),
                past.stoppedByMoney()));
        all.addAll(List.of(
                bench.justTakenIn(),
                bench.starvedPennants(),
                bench.inTheBath(),
                bench.readyToReturn(),
                bench.headError(),
                bench.soakIsDue()));
        all.addAll(List.of(
                bench.halfABill(),
                bench.smearedLabels(),
                bench.silverStarves(),
                bench.rinsedTwice(),
                bench.overnightPad()));
        write(all, shop.now());
        keepRecord(all);
    }

    private void write(List<DemoVisit> all, Instant now) {
        Random random = new Random(19);
        Map<String, Customer> customers = new HashMap<>();
        Map<String, Head> heads = new HashMap<>();
        LocalDate today = LocalDate.now(clock);
        for (DemoVisit v : all) {
            Customer customer = customers.computeIfAbsent(
                    v.customer, name -> persist(new Customer(UUID.randomUUID(), name, v.contact)));
            Head head = heads.computeIfAbsent(v.serial, serial -> {
                Head fresh = new Head(UUID.randomUUID(), serial, v.family.code());
                fresh.everNonFood = !v.chemistry.food();
                return persist(fresh);
            });
            Visit visit = new Visit(
                    v.id,
                    Tag.draw(random).code(),
                    now.minus(Duration.ofMinutes(v.openedMinutesAgo)),
                    DemoVisit.TECHNICIAN);
            visit.headId = head.id;
            visit.customerId = customer.id;
            visit.purpose = v.purpose;
            visit.need = v.need == null ? null : stored.write(v.need);
            visit.jobClass = v.jobClass;
            visit.promisedOn = today.plusDays(v.promisedInDays);
            visit.intake = stored.write(v.intake(customer.id, head.id, today));
            if (v.outcome != null) {
                visit.outcome = v.outcome;
                visit.outcomeReason = v.outcomeReason;
                visit.closedAt = now.minus(Duration.ofMinutes(v.closedMinutesAgo));
                visit.closedBy = DemoVisit.TECHNICIAN;
            }
            persist(visit);
            v.rows.forEach(this::persist);
            if (v.standIn != null) {
                persist(new StandInRow(head.id, stored.write(v.standIn), 4_711));
            }
        }
    }

    /** So that the shop's record starts with what the demo visits came to. */
    private void keepRecord(List<DemoVisit> all) {
        entities.flush();
        all.forEach(v -> ledger.keep(loader.get(v.id)));
    }

    private <T> T persist(T row) {
        entities.persist(row);
        return row;
    }
}
