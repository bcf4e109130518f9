package undoknot.server.nozzle;

import java.util.Arrays;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.nozzle.CoarseReading;

/** The kinds of coarse readings, as the core has them. */
@RestController
class CoarseKindController {

    /** @param cannotTell what such a reading cannot tell */
    record CoarseKindView(CoarseReading.Kind kind, List<LevelView> levels, List<CoarseReading.Blind> cannotTell) {}

    record LevelView(CoarseReading.Level level, boolean asksWhere) {}

    @GetMapping("/api/coarse-kinds")
    List<CoarseKindView> kinds() {
        return Arrays.stream(CoarseReading.Kind.values())
                .map(kind -> new CoarseKindView(
                        kind,
                        kind.levels().stream()
                                .map(l -> new LevelView(l, l.asksWhere()))
                                .toList(),
                        kind.cannotTell()))
                .toList();
    }
}
