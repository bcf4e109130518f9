package undoknot.server.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.nozzle.CoarseReading;
import undoknot.observation.Symptom;
import undoknot.procedure.Act;
import undoknot.server.alsofound.AlsoFounds;
import undoknot.server.fluid.Shelf;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.visit.ProcedureEntry;
import undoknot.server.words.Words;

/** What a report says besides maps and treatments: told symptoms, readings left out, steps, what else was found. */
@Component
class BesidesWords {

    private final Words words;
    private final AlsoFounds alsoFounds;

    BesidesWords(Words words, AlsoFounds alsoFounds) {
        this.words = words;
        this.alsoFounds = alsoFounds;
    }

    /** A symptom with the channels and the place that were told of it. */
    String symptom(LoggedVisit logged, Symptom symptom) {
        Intake.SymptomAt at = logged.intake().symptomAt().stream()
                .filter(a -> a.symptom() == symptom)
                .findFirst()
                .orElse(null);
        List<String> where = new ArrayList<>();
        if (at != null) {
            where.addAll(at.channels());
            if (at.place() != null) {
                where.add(words.of("sheetPlace", at.place()));
            }
        }
        return words.of("symptom", symptom) + (where.isEmpty() ? "" : " (" + String.join(", ", where) + ")");
    }

    /** Why there is no first reading; null when there is one, or none at all. */
    String noFirstCheck(LoggedVisit logged) {
        if (logged.checks().isEmpty()) {
            return null;
        }
        NozzleCheck first = logged.checks().get(0);
        return first.notTaken == null
                ? first.notPossible
                : words.of("notTaken", first.notTaken) + "; before and after cannot be compared";
    }

    /** The first reading beside the last where both say one word a channel; null otherwise, and never one with itself. */
    String compared(LoggedVisit logged) {
        List<NozzleCheck> read = logged.checks().stream()
                .filter(c -> logged.map(c) != null || logged.coarse(c) != null)
                .toList();
        if (read.size() < 2) {
            return null;
        }
        CoarseReading last = logged.coarse(read.get(read.size() - 1));
        CoarseReading first = read.subList(0, read.size() - 1).stream()
                .map(logged::coarse)
                .filter(c -> c != null && last != null && c.kind() == last.kind())
                .findFirst()
                .orElse(null);
        if (first == null) {
            return null;
        }
        Map<String, CoarseReading.Change> changes = CoarseReading.compare(first, last);
        return "From the first " + words.of("coarseKind", last.kind()) + " to the last: "
                + changes.entrySet().stream()
                        .map(e -> e.getKey() + " " + words.of("coarseChange", e.getValue()))
                        .collect(Collectors.joining(", "));
    }

    /** The steps of an ink change or a whole-system flush, and checks that the customer kept, a line each. */
    List<String> steps(LoggedVisit logged) {
        List<String> lines = new ArrayList<>();
        logged.keptChecks().forEach(c -> lines.add("Told: a check of " + c.toldOn + " that the customer kept."));
        logged.procedureThatStands().forEach(e -> lines.add(step(logged, e)));
        return lines;
    }

    private String step(LoggedVisit logged, ProcedureEntry e) {
        StringBuilder line = new StringBuilder();
        if (e.channel != null) {
            line.append(e.channel).append(": ");
        }
        line.append(e.act == Act.PAD_SEEN ? "Fresh pad looked at" : words.of("step", e.act));
        if (e.finding != null) {
            line.append(": ").append(words.of("stepFinding", e.finding));
        }
        if (e.volumeMl != null) {
            line.append(", ").append(Shelf.plain(e.volumeMl)).append(" mL");
        }
        if (e.lotId != null) {
            line.append(" of ").append(logged.lots().get(e.lotId).lotCode);
        }
        if (e.vessel != null && !e.vessel.isEmpty()) {
            line.append(", ").append(e.vessel);
            if (!e.lotCode.isEmpty()) {
                line.append(", lot ").append(e.lotCode);
            }
            if (e.inkedOn != null) {
                line.append(", ").append(e.inkedOn);
            }
        }
        if (!e.text.isEmpty()) {
            line.append("; ").append(e.text);
        }
        if (e.departureReason != null) {
            line.append("; against a limit, because: ").append(e.departureReason);
        }
        return line.toString();
    }

    List<String> alsoFound(LoggedVisit logged) {
        return alsoFounds.findByVisitIdOrderByFoundAt(logged.visit().id).stream()
                .filter(f -> !f.withdrawn)
                .map(f -> words.of("alsoFound", f.what) + ", " + f.place + (f.note.isEmpty() ? "" : ": " + f.note))
                .toList();
    }
}
