package undoknot.server.intake;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.head.Family;
import undoknot.head.FoodStanding;
import undoknot.head.Tag;
import undoknot.server.account.SignedIn;
import undoknot.server.head.Families;
import undoknot.server.head.Head;
import undoknot.server.head.Heads;
import undoknot.server.practice.House;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.visit.Customer;
import undoknot.server.visit.Customers;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleChecks;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.StoredJson;
import undoknot.server.write.Versions;

/** Takes a head in, and changes later what was told then. */
@Component
class TakeIn {

    private final Visits visits;
    private final Heads heads;
    private final Customers customers;
    private final Families families;
    private final NozzleChecks checks;
    private final VisitLoader loader;
    private final StoredJson stored;
    private final RepeatableWrite writes;
    private final Clock clock;
    private final House house;
    private final SecureRandom random = new SecureRandom();

    TakeIn(
            Visits visits,
            Heads heads,
            Customers customers,
            Families families,
            NozzleChecks checks,
            VisitLoader loader,
            StoredJson stored,
            RepeatableWrite writes,
            Clock clock,
            House house) {
        this.visits = visits;
        this.heads = heads;
        this.customers = customers;
        this.families = families;
        this.checks = checks;
        this.loader = loader;
        this.stored = stored;
        this.writes = writes;
        this.clock = clock;
        this.house = house;
    }

    void put(UUID id, Long seen, Intake intake) {
        writes.run(() -> {
            // Nothing is read before both rows are locked: of two who take in the same head, one finds it in the shop.
            Visit visit = visits.count(id) == 0 ? null : visits.findById(id).orElseThrow();
            heads.lockBySerial(intake.serial().strip());
            if (visit != null) {
                Intake stands = stored.read(visit.intake, Intake.class);
                // Through JSON, so that the entry is told with the same keys and numbers as the stored one.
                if (stored.write(stands).equals(stored.write(settled(intake, visit)))) {
                    return visit;
                }
                Long version = visit.version;
                Versions.check(version, seen, () -> new VisitController.TakeInEntry(version, stands), intake);
                LoggedVisit logged = loader.getOpen(id);
                boolean begun = !logged.attempts().isEmpty()
                        || !logged.rows().procedure().isEmpty();
                if (begun && intake.purpose() != logged.purpose()) {
                    throw Refused.entry(
                            "intake.purpose",
                            "BEGUN",
                            "Work on it has begun, and its rules follow from this. Return it, and take it in anew.");
                }
            }
            Family family = families.get(intake.familyCode(), "intake.familyCode");
            check(intake, family, visit);
            if (visit == null) {
                visit = new Visit(id, freeTag(), clock.instant(), SignedIn.now().displayName());
                // Judged by the house rules of the day it came in; a lead may move it to newer ones.
                visit.houseRules = house.number() == 0 ? null : house.number();
            }
            Head head = head(intake, visit);
            Customer customer = customer(intake);
            visit.headId = head.id;
            visit.customerId = customer.id;
            visit.purpose = intake.purpose();
            visit.jobClass = intake.jobClass();
            visit.promisedOn = intake.promisedOn();
            visit.intake = stored.write(settled(intake, visit));
            return visits.saveAndFlush(visit);
        });
    }

    /** The entry with the keys that the shop already has for this head and this customer. */
    private static Intake settled(Intake in, Visit visit) {
        return visit.headId == null ? in : in.with(visit.customerId, visit.headId);
    }

    private void check(Intake intake, Family family, Visit before) {
        List<FieldProblem> errors = new ArrayList<>();
        LocalDate today = LocalDate.now(clock);
        boolean newDate = before == null || !intake.promisedOn().equals(before.promisedOn);
        if (newDate && intake.promisedOn().isBefore(today)) {
            errors.add(new FieldProblem(
                    "intake.promisedOn", "PAST", "This day is past. Promise today (" + today + ") or a later day."));
        }
        Map<String, Intake.PortInk> ports = intake.ports().stream()
                .collect(Collectors.toMap(Intake.PortInk::channel, p -> p, (a, b) -> b, LinkedHashMap::new));
        boolean known =
                ports.keySet().stream().allMatch(code -> family.channel(code).isPresent());
        if (!known || ports.size() != intake.ports().size()) {
            errors.add(new FieldProblem(
                    "intake.ports", "UNKNOWN", "These ports do not belong to this family. Choose the family again."));
        }
        if (intake.lastShakenOn() != null && intake.lastShakenOn().isAfter(today)) {
            errors.add(new FieldProblem(
                    "intake.lastShakenOn",
                    "FUTURE",
                    "This day is still to come. Enter today (" + today + ") or earlier."));
        }
        boolean isRead =
                before != null && !checks.findByVisitIdIn(List.of(before.id)).isEmpty();
        if (isRead && !new HashSet<>(stored.read(before.intake, Intake.class).channels()).equals(ports.keySet())) {
            errors.add(new FieldProblem(
                    "intake.ports",
                    "HAS_CHECKS",
                    "There are readings of these channels already. Keep them, or take the head in anew."));
        }
        if (isRead && !heads.findById(before.headId).orElseThrow().familyCode.equals(family.code())) {
            errors.add(new FieldProblem(
                    "intake.familyCode",
                    "HAS_CHECKS",
                    "There are readings of this family already. Keep it, or take the head in anew."));
        }
        if (!errors.isEmpty()) {
            throw Refused.entries(errors);
        }
    }

    private Head head(Intake intake, Visit visit) {
        String serial = intake.serial().strip();
        Head head = heads.findBySerial(serial)
                .orElseGet(() -> new Head(freshId(intake.headId()), serial, intake.familyCode()));
        if (head.version != null) {
            visits.findByHeadIdOrderByOpenedAtDesc(head.id).stream()
                    .filter(other -> other.closedAt == null && !other.id.equals(visit.id))
                    .findFirst()
                    .ifPresent(other -> {
                        throw Refused.entry(
                                "intake.serial",
                                "IN_THE_SHOP",
                                "The head with this serial is in the shop already, with tag " + other.tag + ".");
                    });
            if (!head.familyCode.equals(intake.familyCode())
                    && (visit.headId == null || !visit.headId.equals(head.id))) {
                throw Refused.entry(
                        "intake.familyCode",
                        "OTHER_FAMILY",
                        "The head with this serial was here as another family. Check both.");
            }
            head.familyCode = intake.familyCode();
        }
        boolean nonFoodNow =
                intake.ports().stream().anyMatch(port -> !port.chemistry().food());
        head.everNonFood |= nonFoodNow || intake.everNonFood() == FoodStanding.Answer.YES;
        return heads.saveAndFlush(head);
    }

    /** The client's key, unless a head of another serial has it: then the technician corrected the serial. */
    private UUID freshId(UUID wanted) {
        return heads.existsById(wanted) ? UUID.randomUUID() : wanted;
    }

    private Customer customer(Intake intake) {
        Customer customer = customers
                .findById(intake.customerId())
                .orElseGet(() -> new Customer(
                        intake.customerId(),
                        intake.customerName().strip(),
                        intake.contact().strip()));
        customer.name = intake.customerName().strip();
        customer.contact = intake.contact().strip();
        return customers.saveAndFlush(customer);
    }

    private String freeTag() {
        Tag tag = Tag.draw(random);
        while (visits.existsByTag(tag.code())) {
            tag = Tag.draw(random);
        }
        return tag.code();
    }
}
