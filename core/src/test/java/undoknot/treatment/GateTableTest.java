package undoknot.treatment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.fluid.FluidKind;
import undoknot.head.Construction;
import undoknot.observation.Sign;
import undoknot.treatment.Gate.Code;
import undoknot.visit.BarredByFinding;

/** Every method against everything that can stand in its way; the tables are written by hand from the handbook. */
class GateTableTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 3, 2);
    private static final Map<String, Code> FLUID =
            Map.of("N", Code.FLUID_NOT_FOR_THIS, "C", Code.FLUID_CONTESTED, "W", Code.FLUID_NOT_WARMED);

    /** Methods that take no fluid, and so have no row in the table of fluids. */
    private static final Set<Method> DRY =
            Set.of(Method.CYCLE, Method.CYCLE_STRONG, Method.REST, Method.PAGE, Method.ALIGN);

    private record Cell(Method method, String column, String says) {
        List<Code> codes() {
            return says.equals("-")
                    ? List.of()
                    : Arrays.stream(says.split(" "))
                            .map(s -> FLUID.containsKey(s) ? FLUID.get(s) : Code.valueOf(s))
                            .toList();
        }
    }

    private static List<Cell> table(String name) {
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(GateTableTest.class.getResourceAsStream("/gates/" + name + ".csv")),
                StandardCharsets.UTF_8))) {
            List<String[]> rows = reader.lines()
                    .filter(line -> !line.startsWith("#"))
                    .map(line -> line.split(",\\s*"))
                    .toList();
            String[] head = rows.get(0);
            return rows.stream()
                    .skip(1)
                    .flatMap(row -> IntStream.range(1, head.length)
                            .mapToObj(i -> new Cell(Method.valueOf(row[0]), head[i].strip(), row[i].strip())))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Treatment treatment(Method method) {
        Set<String> black = Set.of("K");
        return switch (method.kind()) {
            case FLUSH ->
                new Treatment.Flush(
                        List.of(new Treatment.Stroke(
                                "K",
                                BigDecimal.ONE,
                                5,
                                Treatment.Resistance.FREE,
                                Treatment.Effluent.TINTED,
                                Treatment.Stream.WHOLE)),
                        method == Method.WARM ? 40 : 20);
            case SOAK ->
                new Treatment.Soak(
                        method == Method.PORT_SOAK ? Treatment.Place.PORT : Treatment.Place.TRAY,
                        black,
                        BigDecimal.ONE,
                        10);
            case BATH -> new Treatment.Bath(black, BigDecimal.TEN, 2, 30, 1, 60);
            case CYCLE ->
                new Treatment.Cycle(
                        black, method == Method.CYCLE_STRONG ? Treatment.Strength.STRONG : Treatment.Strength.LIGHT, 1);
            case HANDWORK -> new Treatment.Handwork(method, black, BigDecimal.ONE);
        };
    }

    private static Gates.Situation situation(
            Construction construction, boolean food, boolean hold, Gates.Bottle bottle, Set<BarredWork> barred) {
        return new Gates.Situation(construction.limits(), food, hold, 0, bottle, TODAY, barred);
    }

    private static List<Code> codes(Method method, Gates.Situation situation) {
        return Gates.of(treatment(method), situation).stream().map(Gate::code).toList();
    }

    private static Gates.Bottle bottle(FluidKind kind, boolean foodSafe) {
        return new Gates.Bottle(kind, foodSafe, null);
    }

    /** A head that everything may be done to, so that what is asked about is the only thing in the way. */
    private static final Construction OPEN = Construction.THERMAL_OPEN;

    @TestFactory
    Stream<DynamicTest> a_construction_says() {
        return table("construction").stream()
                .map(cell -> dynamicTest(
                        cell.method() + " on " + cell.column(),
                        () -> assertThat(codes(
                                        cell.method(),
                                        situation(Construction.valueOf(cell.column()), false, false, null, Set.of())))
                                .isEqualTo(cell.codes())));
    }

    @TestFactory
    Stream<DynamicTest> a_hold_or_a_finding_says() {
        return table("barred").stream().map(cell -> {
            boolean hold = cell.column().equals("hold");
            Set<BarredWork> barred = hold ? Set.of() : BarredByFinding.of(Sign.valueOf(cell.column()));
            return dynamicTest(
                    cell.method() + " with " + cell.column(),
                    () -> assertThat(codes(cell.method(), situation(OPEN, false, hold, null, barred)))
                            .isEqualTo(cell.codes()));
        });
    }

    @TestFactory
    Stream<DynamicTest> a_fluid_says() {
        return table("fluid").stream()
                .map(cell -> dynamicTest(
                        cell.method() + " with " + cell.column(),
                        () -> assertThat(codes(
                                        cell.method(),
                                        situation(
                                                OPEN,
                                                false,
                                                false,
                                                bottle(FluidKind.valueOf(cell.column()), true),
                                                Set.of())))
                                .containsExactlyElementsOf(cell.codes())));
    }

    /** Handbook 8: a food head takes food-safe fluids in every method, pads and wipes included; contacts are no wet side. */
    @ParameterizedTest
    @EnumSource(Method.class)
    void a_food_head_takes_food_safe_fluids_in_every_method(Method method) {
        for (FluidKind kind : FluidKind.values()) {
            List<Code> unmarked = codes(method, situation(OPEN, true, false, bottle(kind, false), Set.of()));
            assertThat(unmarked.contains(Code.FLUID_NOT_FOR_FOOD))
                    .as("%s, bottle without the mark", kind)
                    .isEqualTo(method != Method.RESEAT);
        }
        assertThat(codes(method, situation(OPEN, true, false, bottle(FluidKind.RESIDUE_REMOVER, true), Set.of())))
                .as("a volatile, whatever its bottle says")
                .matches(codes -> method == Method.RESEAT || codes.contains(Code.FLUID_NOT_FOR_FOOD));
        assertThat(codes(method, situation(OPEN, true, false, bottle(FluidKind.FOOD_SAFE_CLEANER, true), Set.of())))
                .doesNotContain(Code.FLUID_NOT_FOR_FOOD);
    }

    @ParameterizedTest
    @EnumSource(Method.class)
    void an_expired_lot_is_said_in_every_method(Method method) {
        Gates.Bottle old = new Gates.Bottle(FluidKind.DEIONISED_WATER, true, TODAY.minusDays(1));
        assertThat(codes(method, situation(OPEN, false, false, old, Set.of()))).contains(Code.LOT_EXPIRED);
    }

    /** All at once, nothing is lost: the gates of each are all there. */
    @ParameterizedTest
    @EnumSource(Method.class)
    void gates_add_up(Method method) {
        Set<BarredWork> barred = Set.of(BarredWork.values());
        Gates.Bottle bottle = bottle(FluidKind.AMMONIA_CLEANER, false);
        for (Construction construction : Construction.values()) {
            List<Code> all = codes(method, situation(construction, true, true, bottle, barred));
            assertThat(all)
                    .containsAll(codes(method, situation(construction, false, false, null, Set.of())))
                    .containsAll(codes(method, situation(construction, false, true, null, Set.of())))
                    .containsAll(codes(method, situation(construction, false, false, null, barred)))
                    .containsAll(codes(method, situation(construction, true, false, bottle, Set.of())));
            assertThat(all).doesNotHaveDuplicates();
        }
    }

    @TestFactory
    Stream<DynamicTest> no_method_is_missing() {
        return Stream.of("construction", "barred", "fluid")
                .map(name -> dynamicTest(
                        name,
                        () -> assertThat(table(name).stream().map(Cell::method).collect(Collectors.toSet()))
                                .containsExactlyInAnyOrderElementsOf(Arrays.stream(Method.values())
                                        .filter(m -> !name.equals("fluid") || !DRY.contains(m))
                                        .toList())));
    }
}
