package undoknot.nozzle;

import java.util.OptionalDouble;

/** A part of a whole that may be empty. */
final class Share {

    private Share() {}

    static OptionalDouble of(int part, int whole) {
        return whole == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) part / whole);
    }
}
