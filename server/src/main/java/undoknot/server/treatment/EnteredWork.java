package undoknot.server.treatment;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import undoknot.finish.Alignment;
import undoknot.server.fluid.FluidLot;
import undoknot.server.problem.Refused;
import undoknot.server.treatment.AttemptController.AttemptEntry;
import undoknot.server.view.TreatmentEntry;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.sitting.Asked;
import undoknot.sitting.Noted;
import undoknot.sitting.Part;
import undoknot.sitting.PartWork;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/** What entered work must be for itself, before any gate is asked, and what follows from its kind. */
final class EnteredWork {

    private EnteredWork() {}

    /** How long the work waits by a clock; null for work that does not. */
    static Duration waits(Treatment treatment) {
        if (treatment instanceof Treatment.Soak soak) {
            return Duration.ofMinutes(soak.plannedMinutes());
        }
        if (treatment instanceof Treatment.Bath bath) {
            return Duration.ofSeconds(bath.burstSeconds());
        }
        return treatment instanceof Treatment.Handwork work && work.plannedMinutes() != null
                ? Duration.ofMinutes(work.plannedMinutes())
                : null;
    }

    /** What was entered is there: the same work, or rounds that have grown since. */
    static boolean isThere(LoggedVisit logged, Attempt known, Treatment entered) {
        Treatment kept = logged.treatment(known);
        if (!(kept instanceof Treatment.Flush flush) || !(entered instanceof Treatment.Flush again)) {
            return kept.equals(entered);
        }
        return flush.method() == again.method()
                && again.strokes().stream()
                        .allMatch(s -> s.id() == null
                                ? flush.strokes().stream().anyMatch(k -> k.equals(s.at(k.at())))
                                : flush.stroke(s.id()).isPresent());
    }

    /** A damper that is not pulled by strokes is a new one, in every channel that is named. */
    static void checkParts(Treatment treatment, Noted noted) {
        boolean fitted = treatment.channels().stream()
                .allMatch(code -> noted.parts().contains(new PartWork(Part.DAMPER, code, Part.Act.REPLACED)));
        if (treatment instanceof Treatment.Handwork work && work.method() == Method.DAMPER && !fitted) {
            throw Refused.entry(
                    "noted.parts", "MISSING", "Say at each channel that its damper is new, or pull fluid by strokes.");
        }
    }

    /** An alignment is what looked best at each position; one that did not settle stands with a note alone (handbook 14). */
    static void checkPass(Method method, Noted noted, String note) {
        if (method != Method.ALIGN) {
            return;
        }
        if (noted.pass() == null) {
            throw Refused.entry(
                    "noted.pass.best", "MISSING", "Enter the step that looks best at every position, under Align.");
        }
        if (noted.pass().accepted() && (note == null || note.isBlank())) {
            throw Refused.entry("note", "MISSING", "Say why it may stand although it did not settle.");
        }
    }

    /** Nothing is let stand before the strip was cleaned and two more passes were printed. */
    static void checkLetStand(VisitLog before, Treatment treatment, Noted noted) {
        if (noted.pass() == null || !noted.pass().accepted()) {
            return;
        }
        List<Step> steps = new ArrayList<>(before.steps());
        steps.add(new Step.Worked("entered", treatment, noted));
        VisitLog with = new VisitLog(before.family(), before.jobClass(), before.told(), steps, before.head());
        if (Alignment.of(with).state() != Alignment.State.ACCEPTED) {
            throw Refused.entry(
                    "noted.pass.accepted",
                    "TOO_EARLY",
                    "It may stand once the strip was cleaned and two more passes did not settle it. Enter it as a pass.");
        }
    }

    /** A flush gives a dose; other work by strokes may draw nothing from a bottle. */
    static void checkDoses(Treatment treatment) {
        if (treatment instanceof Treatment.Flush flush && flush.isFlush()) {
            for (int i = 0; i < flush.strokes().size(); i++) {
                if (flush.strokes().get(i).volumeMl().signum() == 0) {
                    throw Refused.entry("treatment.flush.strokes[" + i + "].volumeMl", "RANGE", TreatmentEntry.ML_MIN);
                }
            }
        }
    }

    static void checkChannels(LoggedVisit logged, Set<String> channels) {
        for (String code : channels) {
            if (logged.family().channel(code).isEmpty()) {
                throw Refused.entry("treatment.channels", "UNKNOWN", "This head has no channel " + code + ".");
            }
        }
    }

    static FluidLot lotFor(Treatment treatment, FluidLot chosen) {
        if (treatment instanceof Treatment.Cycle) {
            return null;
        }
        boolean isFlush = treatment instanceof Treatment.Flush flush && flush.isFlush();
        boolean mayBeNone = treatment instanceof Treatment.Handwork || treatment instanceof Treatment.Flush && !isFlush;
        if (mayBeNone && treatment.volumeMl().signum() == 0) {
            // Rounds may begin with a stroke that takes nothing: the bottle stays theirs.
            return treatment instanceof Treatment.Flush ? chosen : null;
        }
        if (chosen == null) {
            throw Refused.entry("lotId", "MISSING", "Choose the bottle that the fluid comes from.");
        }
        return chosen;
    }

    /** Nobody has a reason for what the machine did by itself, and it is logged all the same. */
    static String reason(AttemptEntry entry, Noted noted) {
        boolean isSaid =
                entry.departureReason() != null && !entry.departureReason().isBlank();
        return !isSaid && noted.says(Asked.UNASKED) ? "The machine started it by itself." : entry.departureReason();
    }
}
