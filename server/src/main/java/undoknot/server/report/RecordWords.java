package undoknot.server.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.finish.Alignment;
import undoknot.finish.OffPart;
import undoknot.procedure.Act;
import undoknot.server.fluid.Shelf;
import undoknot.server.outcome.Money;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.visit.OffPartRow;
import undoknot.server.waste.Waste;
import undoknot.server.words.Words;
import undoknot.sitting.AlignmentPass;
import undoknot.sitting.Part;
import undoknot.sitting.PartWork;
import undoknot.treatment.Gate;
import undoknot.visit.VisitLog;

/** Puts page two of a report into words, apart from the attempts. */
@Component
class RecordWords {

    private final Words words;
    private final Money money;
    private final Waste waste;

    RecordWords(Words words, Money money, Waste waste) {
        this.words = words;
        this.money = money;
        this.waste = waste;
    }

    RecordPage of(LoggedVisit logged, VisitLog log) {
        return new RecordPage(
                logged.intake().cyclesBefore(),
                logged.findingsThatStand().stream()
                        .map(f -> new PlainPage.Dated(
                                f.foundAt,
                                Words.capital(words.observation(f.observation()))
                                        + (f.note == null || f.note.isEmpty() ? "" : "; " + f.note),
                                f.foundBy))
                        .toList(),
                partsReplaced(logged),
                logged.rows().offParts().stream()
                        .filter(row -> !row.withdrawn)
                        .map(this::offPart)
                        .toList(),
                alignment(logged, log),
                waste(logged),
                money.bill(logged).minutes(),
                logged.departures().stream()
                        .map(d -> "Advised: " + words.anyOf(d.advised, "method", "look", "act")
                                + ". Done otherwise, because: " + d.reason)
                        .toList(),
                against(logged),
                logged.visit().reopenedWhy == null
                        ? null
                        : logged.visit().reopenedBy + ": " + logged.visit().reopenedWhy);
    }

    private List<String> partsReplaced(LoggedVisit logged) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (Attempt attempt : logged.attemptsThatStand()) {
            for (PartWork work : logged.noted(attempt).parts()) {
                if (work.act() == Part.Act.REPLACED) {
                    String whose = work.channel() == null ? "" : work.channel() + ": ";
                    counts.merge(whose + words.of("part", work.part()), 1, Integer::sum);
                }
            }
        }
        return counts.entrySet().stream()
                .map(e -> e.getKey() + (e.getValue() == 1 ? "" : ", " + words.count("TIMES", e.getValue())))
                .toList();
    }

    private String offPart(OffPartRow row) {
        OffPart part = row.part();
        StringBuilder line = new StringBuilder();
        line.append(row.count == 1 ? "" : row.count + " ").append(part.called());
        line.append(row.note.isEmpty() ? "" : " (" + row.note + ")");
        if (row.stays) {
            line.append(": stays off, ").append(row.backNote);
        } else if (part.isOpen()) {
            line.append(": still ").append(row.kind == OffPart.Kind.LAID_IN ? "in" : "off");
        } else {
            line.append(row.kind == OffPart.Kind.LAID_IN ? ": out again" : ": back");
            line.append(row.kind == OffPart.Kind.CARTRIDGE ? ", light and menu agree" : "");
            line.append(row.backNote.isEmpty() ? "" : ", " + row.backNote);
        }
        return Words.capital(line.toString());
    }

    private static List<String> alignment(LoggedVisit logged, VisitLog log) {
        List<AlignmentPass> passes = Alignment.of(log).passes();
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < passes.size(); i++) {
            AlignmentPass pass = passes.get(i);
            lines.add("Pass " + (i + 1) + ": "
                    + pass.best().stream().map(String::valueOf).collect(Collectors.joining(" ")) + " on a scale of "
                    + pass.scale().least() + " to " + pass.scale().most() + ", centre "
                    + pass.scale().centre() + (pass.accepted() ? "; let stand" : ""));
        }
        return lines;
    }

    private List<String> waste(LoggedVisit logged) {
        Map<UUID, BigDecimal> sums = new LinkedHashMap<>();
        logged.attemptsThatStand().stream()
                .filter(a -> a.wasteId != null)
                .forEach(a -> sums.merge(a.wasteId, a.wasteMl == null ? a.volumeMl : a.wasteMl, BigDecimal::add));
        logged.procedureThatStands().stream()
                .filter(e -> e.wasteId != null && e.volumeMl != null && e.act != Act.WASTE_EMPTIED)
                .forEach(e -> sums.merge(e.wasteId, e.volumeMl, BigDecimal::add));
        return sums.entrySet().stream()
                .map(e -> Shelf.plain(e.getValue()) + " mL to " + waste.get(e.getKey()).name)
                .toList();
    }

    /** Checks that were printed, and looks that were taken, against a gate. */
    private List<String> against(LoggedVisit logged) {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < logged.checks().size(); i++) {
            NozzleCheck check = logged.checks().get(i);
            if (check.against != null) {
                lines.add("Check " + (i + 1) + " was printed against a limit (" + gates(logged.gates(check.against))
                        + ") because: " + check.departureReason);
            }
        }
        logged.findingsThatStand().stream()
                .filter(f -> f.against != null)
                .forEach(f -> lines.add("A look was taken against a limit (" + gates(logged.gates(f.against))
                        + ") because: " + f.departureReason));
        return lines;
    }

    private String gates(List<Gate> gates) {
        return gates.stream().map(words::gate).collect(Collectors.joining(" "));
    }
}
