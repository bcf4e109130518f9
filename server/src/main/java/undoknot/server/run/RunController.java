package undoknot.server.run;

import java.util.UUID;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.view.VisitView;

/** Going through the steps of a plan one by one, and who has the head in hand. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class RunController {

    private final RunKeeper keeper;

    RunController(RunKeeper keeper) {
        this.keeper = keeper;
    }

    /** Begins the steps of the plan's first attempt as it stands now. Whoever begins them has the head in hand. */
    @PutMapping("/runs/{id}")
    VisitView begin(@PathVariable UUID visitId, @PathVariable UUID id) {
        return keeper.begin(visitId, id);
    }

    /** Says that hands did a step. */
    @PutMapping("/runs/{id}/steps/{step}")
    VisitView tick(@PathVariable UUID visitId, @PathVariable UUID id, @PathVariable int step) {
        return keeper.tick(visitId, id, step);
    }

    /** Takes that back; both stay readable. */
    @PutMapping("/runs/{id}/steps/{step}/withdrawal")
    VisitView tickBack(@PathVariable UUID visitId, @PathVariable UUID id, @PathVariable int step) {
        return keeper.tickBack(visitId, id, step);
    }

    /** Leaves these steps for good; what was logged stands. */
    @PutMapping("/runs/{id}/end")
    VisitView leave(@PathVariable UUID visitId, @PathVariable UUID id) {
        return keeper.leave(visitId, id);
    }

    /** Takes the head in hand, from whoever has it. */
    @PutMapping("/hand")
    VisitView take(@PathVariable UUID visitId) {
        return keeper.take(visitId);
    }

    /** Puts it down; only whoever has it does. */
    @DeleteMapping("/hand")
    VisitView putDown(@PathVariable UUID visitId) {
        return keeper.putDown(visitId);
    }
}
