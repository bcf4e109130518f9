package undoknot.server.fluid;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.fluid.Draw;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.treatment.Gates;

/** Draws doses from lots. Runs inside the transaction of the attempt that needs the fluid. */
@Component
public class Shelf {

    private final FluidLots lots;
    private final LotDraws draws;
    private final Clock clock;

    Shelf(FluidLots lots, LotDraws draws, Clock clock) {
        this.lots = lots;
        this.draws = draws;
        this.clock = clock;
    }

    public FluidLot get(UUID lotId) {
        return lots.findById(lotId).orElseThrow(Shelf::unknown);
    }

    /**
     * Holds a lot for the rest of the transaction. Taken before anything else is read or written, so that two doses at
     * once wait for each other instead of meeting in a deadlock.
     */
    public FluidLot lock(UUID lotId) {
        return lots.lock(lotId).orElseThrow(Shelf::unknown);
    }

    /**
     * @param volumeMl below zero where less was drawn than was thought
     * @throws Refused on the entry {@code lotId} when the bottle holds too little
     */
    public void draw(UUID lotId, UUID attemptId, BigDecimal volumeMl) {
        FluidLot lot = lock(lotId);
        if (volumeMl.signum() < 0) {
            back(lot, attemptId, volumeMl.negate());
            return;
        }
        take(lot, volumeMl);
        draws.save(new LotDraw(
                lotId, attemptId, volumeMl, clock.instant(), SignedIn.now().displayName()));
    }

    /**
     * Draws for a look, a step or a mixture.
     *
     * @throws Refused on the entry {@code lotId} when the bottle holds too little
     */
    public FluidLot drawFor(UUID lotId, UUID source, BigDecimal volumeMl) {
        FluidLot lot = lock(lotId);
        take(lot, volumeMl);
        save(lotId, source, volumeMl);
        return lot;
    }

    /** Puts back what was drawn for a look or a step that was taken back. */
    public void putBackFor(UUID lotId, UUID source) {
        FluidLot lot = lock(lotId);
        BigDecimal drawn = draws.findByDrawnFor(source).stream()
                .filter(d -> d.lotId.equals(lotId))
                .map(d -> d.volumeMl)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        lot.remainingMl = lot.remainingMl.add(drawn).min(lot.bottleMl);
        save(lotId, source, drawn.negate());
    }

    private void save(UUID lotId, UUID source, BigDecimal volumeMl) {
        LotDraw draw = new LotDraw(
                lotId, null, volumeMl, clock.instant(), SignedIn.now().displayName());
        draw.drawnFor = source;
        draws.save(draw);
    }

    private void take(FluidLot lot, BigDecimal volumeMl) {
        Draw draw = new Draw(volumeMl, lot.remainingMl);
        if (!draw.isEnough()) {
            throw Refused.entry(
                    "lotId",
                    "TOO_LITTLE",
                    "This bottle holds " + plain(lot.remainingMl) + " mL, " + plain(volumeMl) + " mL are needed: "
                            + plain(draw.shortByMl()) + " mL short. Choose another lot or a smaller dose.");
        }
        lot.remainingMl = draw.leftAfterMl();
        if (lot.openedOn == null) {
            lot.openedOn = LocalDate.now(clock);
        }
    }

    /** Puts back what a withdrawn attempt had drawn. */
    public void putBack(UUID lotId, UUID attemptId) {
        FluidLot lot = lock(lotId);
        BigDecimal drawn =
                draws.findByAttemptId(attemptId).stream().map(d -> d.volumeMl).reduce(BigDecimal.ZERO, BigDecimal::add);
        back(lot, attemptId, drawn);
    }

    private void back(FluidLot lot, UUID attemptId, BigDecimal drawn) {
        lot.remainingMl = lot.remainingMl.add(drawn).min(lot.bottleMl);
        draws.save(new LotDraw(
                lot.id,
                attemptId,
                drawn.negate(),
                clock.instant(),
                SignedIn.now().displayName()));
    }

    public static Gates.Bottle bottle(FluidLot lot) {
        return new Gates.Bottle(lot.kind, lot.foodSafe, lot.expiresOn);
    }

    public static String plain(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }

    private static Refused unknown() {
        return Refused.entry("lotId", "unknown", "Choose a bottle from the shelf.");
    }
}
