package undoknot.server.visit;

import java.time.Clock;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.server.standin.StandIns;

/** Reads one visit whole, all of it from one moment. */
@Component
public class VisitReader {

    private final Courses courses;
    private final Visits visits;
    private final StandIns standIns;
    private final Clock clock;

    VisitReader(Courses courses, Visits visits, StandIns standIns, Clock clock) {
        this.courses = courses;
        this.visits = visits;
        this.standIns = standIns;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public Views.VisitView view(UUID id) {
        Course course = courses.get(id);
        return Views.VisitView.of(
                course,
                visits.findByHeadIdOrderByOpenedAtDesc(course.head().id),
                standIns.answersFor(course.head().id),
                clock.instant());
    }
}
