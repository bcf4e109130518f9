package undoknot.bench;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/** When somebody is there who has nothing else to do. */
public final class FreeHands {

    private FreeHands() {}

    /** With the heads of a bench laid as they came. */
    public static List<Window> of(Bench bench) {
        FirstCome.Laid laid = FirstCome.of(bench);
        BitSet free = new BitSet(FirstCome.HORIZON);
        for (int p = 0; p < bench.people().size(); p++) {
            BitSet one = new BitSet(FirstCome.HORIZON);
            bench.people().get(p).atWork().forEach(w -> one.set(Math.max(0, w.from()), Math.max(0, w.until())));
            int person = p;
            bench.heads()
                    .forEach(head -> head.stints().forEach(stint -> {
                        Day.Placed at = laid.day().of(head, stint);
                        if (at.person() == person) {
                            one.clear(Math.max(0, at.start()), Math.max(0, at.start() + stint.hands()));
                        }
                    }));
            free.or(one);
        }
        List<Window> windows = new ArrayList<>();
        for (int from = free.nextSetBit(0); from >= 0; ) {
            int until = free.nextClearBit(from);
            windows.add(new Window(from, until));
            from = free.nextSetBit(until);
        }
        return windows;
    }
}
