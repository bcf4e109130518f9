package undoknot.server.day;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.bench.NoRoom;
import undoknot.server.problem.Refused;

/** One day is made at a time, so that whoever looks at the bench meanwhile does not wait. */
@Component
class SolverTurn {

    private static final int WAITS_SECONDS = 12;

    private final Semaphore turn = new Semaphore(1, true);

    /** @throws Refused when others are before it for too long, or some work fits nowhere */
    <T> T make(Supplier<T> day) {
        boolean mine = false;
        try {
            mine = turn.tryAcquire(WAITS_SECONDS, TimeUnit.SECONDS);
            if (!mine) {
                throw Refused.because(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "busy",
                        "Others are making a day just now. Try again in some seconds.");
            }
            return day.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Refused.because(
                    HttpStatus.SERVICE_UNAVAILABLE, "stopping", "The server is stopping. Try again in a minute.");
        } catch (NoRoom none) {
            throw Refused.because(HttpStatus.CONFLICT, "no-room", text(none.why()))
                    .with("why", none.why())
                    .with("step", none.key());
        } finally {
            if (mine) {
                turn.release();
            }
        }
    }

    private static String text(NoRoom.Why why) {
        return switch (why) {
            case FITS_NOWHERE ->
                "Some work fits nowhere: nobody is there long enough without a break, or the bench has no place for it. See"
                        + " hours and places.";
            case FIXED_TOO_EARLY -> "That is before what comes before it is over. Choose a later time.";
            case FIXED_TOO_LATE -> "What soaks before it may not run that long. Choose an earlier time.";
            case PERSON_BUSY ->
                "Whoever should do it is not there then, or has other work. Choose another time or person.";
            case PLACE_TAKEN -> "The place that it needs is taken then. Choose another time.";
        };
    }
}
