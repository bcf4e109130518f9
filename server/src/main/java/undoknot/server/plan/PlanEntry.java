package undoknot.server.plan;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.plan.Plan;
import undoknot.server.problem.Refused;
import undoknot.server.visit.PlannedWork;

/**
 * A plan as somebody wants it.
 *
 * @param works in the order in which they are to be done
 */
record PlanEntry(
        @NotNull(message = "Give the works of the plan; the list may be empty.")
        @Size(max = MOST, message = "Plan at most {max} attempts.")
        List<@Valid @NotNull PlannedWork> works) {

    private static final int MOST = 24;

    /** @throws Refused at a channel that the family does not have */
    List<Plan.Chosen> chosen(Family family) {
        List<String> codes = family.channels().stream().map(Channel::code).toList();
        for (int i = 0; i < works.size(); i++) {
            PlannedWork work = works.get(i);
            if (!codes.containsAll(work.channels())
                    || work.channels().isEmpty() && !work.method().isWholeHead()) {
                throw Refused.entry(
                        "works[" + i + "].channels", "CHANNELS", "Choose channels that this head has: " + codes + ".");
            }
        }
        return works.stream().map(PlannedWork::chosen).toList();
    }
}
