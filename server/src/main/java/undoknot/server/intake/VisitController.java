package undoknot.server.intake;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.head.Tag;
import undoknot.server.day.ReadyPromises;
import undoknot.server.head.Families;
import undoknot.server.head.Head;
import undoknot.server.head.Heads;
import undoknot.server.problem.Refused;
import undoknot.server.view.EarlierVisit;
import undoknot.server.view.FamilyView;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitViews;
import undoknot.server.visit.Customers;
import undoknot.server.visit.Intake;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;

/** Taking in a head and looking a visit up. */
@RestController
@RequestMapping("/api")
class VisitController {

    private final TakeIn takeIn;
    private final ReadyPromises ready;
    private final VisitViews views;
    private final Visits visits;
    private final Heads heads;
    private final Customers customers;
    private final Families families;
    private final VisitLoader loader;

    VisitController(
            TakeIn takeIn,
            ReadyPromises ready,
            VisitViews views,
            Visits visits,
            Heads heads,
            Customers customers,
            Families families,
            VisitLoader loader) {
        this.takeIn = takeIn;
        this.ready = ready;
        this.views = views;
        this.visits = visits;
        this.heads = heads;
        this.customers = customers;
        this.families = families;
        this.loader = loader;
    }

    /** @param version version of the visit that was seen; absent when the head is taken in */
    record TakeInEntry(
            @Nullable Long version, @NotNull @Valid Intake intake) {}

    record CustomerView(UUID id, String name, String contact) {}

    /** @param last what was told at its last visit, with the ink that is in it now; a new visit begins from it */
    record KnownHead(
            UUID id,
            String serial,
            String familyCode,
            boolean everNonFood,
            List<EarlierVisit> visits,
            @Nullable Intake last) {}

    record TagFound(UUID visitId) {}

    @GetMapping("/families")
    List<FamilyView> families() {
        return families.all().stream().map(FamilyView::of).toList();
    }

    @GetMapping("/customers")
    List<CustomerView> customers(@RequestParam String name) {
        return customers.findTop10ByNameContainingIgnoreCaseOrderByName(name.strip()).stream()
                .map(c -> new CustomerView(c.id, c.name, c.contact))
                .toList();
    }

    /** The head of a serial, or of an old tag, with its earlier visits; an empty list when it was never here. */
    @GetMapping("/heads")
    @Transactional(readOnly = true)
    public List<KnownHead> heads(@RequestParam String serial) {
        return heads
                .findBySerial(serial.strip())
                .or(() -> Tag.read(serial)
                        .flatMap(tag -> visits.findByTag(tag.code()))
                        .flatMap(visit -> heads.findById(visit.headId)))
                .stream()
                .map(this::known)
                .toList();
    }

    private KnownHead known(Head head) {
        List<Visit> all = visits.findByHeadIdOrderByOpenedAtDesc(head.id);
        return new KnownHead(
                head.id,
                head.serial,
                head.familyCode,
                head.everNonFood,
                all.stream().map(EarlierVisit::of).toList(),
                all.isEmpty() ? null : loader.get(all.get(0).id).intakeNow());
    }

    @GetMapping("/tags/{code}")
    TagFound tag(@PathVariable String code) {
        return Tag.read(code)
                .flatMap(tag -> visits.findByTag(tag.code()))
                .map(visit -> new TagFound(visit.id))
                .orElseThrow(() -> Refused.notFound("tag"));
    }

    @GetMapping("/visits/{id}")
    VisitView visit(@PathVariable UUID id) {
        return views.of(id);
    }

    @PutMapping("/visits/{id}")
    VisitView takeIn(@PathVariable UUID id, @Valid @RequestBody TakeInEntry entry) {
        takeIn.put(id, entry.version(), entry.intake());
        if (entry.version() == null) {
            ready.keep(id, entry.intake());
        }
        return views.of(id);
    }
}
