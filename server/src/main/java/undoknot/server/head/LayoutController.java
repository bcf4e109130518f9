package undoknot.server.head;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;

/** Families and their check layouts. Only a lead writes a layout. */
@RestController
@RequestMapping("/api/layouts")
class LayoutController {

    private final Layouts layouts;
    private final Families families;
    private final RepeatableWrite writes;

    LayoutController(Layouts layouts, Families families, RepeatableWrite writes) {
        this.layouts = layouts;
        this.families = families;
        this.writes = writes;
    }

    /** @param shipped whether it came with the product; such a one is not changed */
    record LayoutView(
            UUID id, long version, boolean shipped, Instant changedAt, String changedBy, CheckLayout layout) {}

    /** @param version version seen, absent for a new layout */
    record LayoutEntry(
            @Nullable Long version, @NotNull @Valid CheckLayout layout) {}

    @GetMapping
    List<LayoutView> list(@RequestParam String family) {
        return layouts.of(family).stream().map(this::view).toList();
    }

    @PutMapping("/{id}")
    LayoutView put(@PathVariable UUID id, @Valid @RequestBody LayoutEntry entry) {
        CheckLayout layout = entry.layout();
        Family family = families.get(layout.family(), "layout.family");
        if (layout.name() == null || layout.name().isBlank() || layout.name().length() > 120) {
            throw Refused.entry("layout.name", "EMPTY", "Give the layout a name of up to 120 signs.");
        }
        List<CheckLayout.Problem> problems = layout.problems(family);
        if (!problems.isEmpty()) {
            throw Refused.entries(problems.stream()
                    .map(p -> new FieldProblem(
                            p.channel() == null ? "layout" : "layout." + p.channel(),
                            p.fault().name(),
                            message(p)))
                    .toList());
        }
        return writes.run(() -> {
            CheckLayoutRow row = layouts.find(id).orElse(null);
            if (row == null) {
                row = new CheckLayoutRow(id, family.code());
            } else {
                if (row.shipped) {
                    throw Refused.entry(
                            "layout", "SHIPPED", "This layout came with Undo Knot. Save yours under a new name.");
                }
                if (layouts.parse(row).equals(layout)) {
                    return view(row);
                }
                CheckLayoutRow stands = row;
                Versions.check(
                        row.version,
                        entry.version(),
                        () -> new LayoutEntry(stands.version, layouts.parse(stands)),
                        entry);
            }
            layouts.fill(row, layout, SignedIn.now().displayName());
            return view(layouts.save(row));
        });
    }

    private static String message(CheckLayout.Problem p) {
        String block = p.channel() == null ? "" : "Block " + p.channel() + ": ";
        return switch (p.fault()) {
            case NO_BLOCKS -> "Place a block for each channel.";
            case SHEET_SIZE -> "The sheet is " + p.detail() + ".";
            case MARK_SIZE -> "The marks are " + p.detail() + ".";
            case UNKNOWN_CHANNEL -> block + "the family " + p.detail() + " has no such channel.";
            case CHANNEL_TWICE -> block + "the channel has two blocks. Take one away.";
            case CHANNEL_WITHOUT_BLOCK -> "Channel " + p.channel() + " has no block yet. Place one.";
            case NOZZLES_DIFFER -> block + "stairs × steps must be its number of nozzles: " + p.detail() + ".";
            case OFF_SHEET -> block + "it reaches beyond the sheet of " + p.detail() + ".";
            case BLOCKS_OVERLAP -> block + "it lies over block " + p.detail() + ". Move one of them.";
            case OVER_A_MARK -> block + "it lies over the registration mark at " + p.detail() + " mm.";
            case DASH_LENGTH -> block + "a dash must leave a gap to the next stair: " + p.detail() + ".";
            case STEP_PITCH -> block + "its steps must fit into it and stand apart: " + p.detail() + ".";
            case COLOUR -> block + "give its ink as #rrggbb.";
        };
    }

    private LayoutView view(CheckLayoutRow row) {
        return new LayoutView(row.id, row.version, row.shipped, row.changedAt, row.changedBy, layouts.parse(row));
    }
}
