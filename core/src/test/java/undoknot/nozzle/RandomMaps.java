package undoknot.nozzle;

import java.util.Random;

/** Seeded readings for property tests. */
final class RandomMaps {

    private RandomMaps() {}

    static String text(Random random, int size) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < size; i++) {
            text.append("FFFWDMMU".charAt(random.nextInt(8)));
        }
        return text.toString();
    }
}
