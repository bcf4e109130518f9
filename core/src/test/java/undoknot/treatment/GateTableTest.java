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
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.flow.Syringe;
import undoknot.fluid.FluidKind;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.Limits;
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
                        method,
                        Set.of(),
                        false,
                        List.of(new Stroke(
                                "K",
                                BigDecimal.ONE,
                                20,
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

    /** A head that everything may be done to, so that what is asked about is the only thing in the way. */
    private static final Family OPEN = family(Construction.THERMAL_OPEN.limits());

    /** One whose ports take a push, with bore and plate of handbook 18. */
    private static Family family(Limits limits) {
        return new Family(
                        "X",
                        "X",
                        Construction.THERMAL_OPEN,
                        List.of(new Channel("K", "Black", "#222222", "post", 180)),
                        18,
                        10,
                        1,
                        20,
                        30,
                        List.of())
                .withLimits(limits);
    }

    private static Gates.HeadState head(boolean food, Site site, Set<NoPower> noPower, Set<BarredWork> barred) {
        return new Gates.HeadState(food, site, noPower, 0, 0, Set.of(), barred, Map.of());
    }

    private static Gates.Situation situation(Family family, Gates.HeadState head, Gates.Bottle bottle) {
        return new Gates.Situation(family, head, null, null, bottle, TODAY);
    }

    /** The head is where the method is done. */
    private static Gates.Situation ready(Method method, Family family, boolean food, Gates.Bottle bottle) {
        return situation(family, head(food, placeOf(method), Set.of(), Set.of()), bottle);
    }

    private static Site placeOf(Method method) {
        return method.isBenchWork() ? Site.ON_BENCH : Site.IN_CARRIAGE;
    }

    private static List<Code> codes(Method method, Gates.Situation situation) {
        return Gates.of(treatment(method), situation).stream().map(Gate::code).toList();
    }

    private static Gates.Bottle bottle(FluidKind kind, boolean foodSafe) {
        return new Gates.Bottle(kind, foodSafe, null);
    }

    @TestFactory
    Stream<DynamicTest> a_construction_says() {
        return table("construction").stream()
                .map(cell -> dynamicTest(
                        cell.method() + " on " + cell.column(),
                        () -> assertThat(codes(
                                        cell.method(),
                                        ready(
                                                cell.method(),
                                                family(Construction.valueOf(cell.column())
                                                        .limits()),
                                                false,
                                                null)))
                                .isEqualTo(cell.codes())));
    }

    @TestFactory
    Stream<DynamicTest> a_finding_says() {
        return table("barred").stream().map(cell -> {
            Set<BarredWork> barred = BarredByFinding.of(Sign.valueOf(cell.column()));
            return dynamicTest(
                    cell.method() + " with " + cell.column(),
                    () -> assertThat(codes(
                                    cell.method(),
                                    situation(OPEN, head(false, placeOf(cell.method()), Set.of(), barred), null)))
                            .isEqualTo(cell.codes()));
        });
    }

    @TestFactory
    Stream<DynamicTest> what_keeps_from_power_says() {
        return table("power").stream().map(cell -> {
            Set<LookFirst> notLooked = Stream.of(LookFirst.values())
                    .filter(look -> look.name().equals(cell.column()))
                    .collect(Collectors.toSet());
            Gates.HeadState head = new Gates.HeadState(
                    false,
                    placeOf(cell.method()),
                    notLooked.isEmpty() ? Set.of(NoPower.valueOf(cell.column())) : Set.of(),
                    0,
                    0,
                    notLooked,
                    Set.of(),
                    Map.of());
            return dynamicTest(
                    cell.method() + " with " + cell.column(),
                    () -> assertThat(codes(cell.method(), situation(OPEN, head, null)))
                            .isEqualTo(cell.codes()));
        });
    }

    @TestFactory
    Stream<DynamicTest> where_the_head_is_says() {
        Map<String, Limits.Removable> comesOut = Map.of(
                "removable", Limits.Removable.YES,
                "lead_only", Limits.Removable.LEAD_ONLY,
                "fixed", Limits.Removable.NO);
        return table("place").stream().map(cell -> {
            Limits.Removable removable = comesOut.getOrDefault(cell.column(), Limits.Removable.YES);
            Site site = cell.column().equals("bench") ? Site.ON_BENCH : Site.IN_CARRIAGE;
            Family family = family(Construction.THERMAL_OPEN.limits().with(removable));
            return dynamicTest(
                    cell.method() + ", " + cell.column(),
                    () -> assertThat(codes(
                                    cell.method(), situation(family, head(false, site, Set.of(), Set.of()), null)))
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
                                        ready(
                                                cell.method(),
                                                OPEN,
                                                false,
                                                bottle(FluidKind.valueOf(cell.column()), true))))
                                .containsExactlyElementsOf(cell.codes())));
    }

    /** Handbook 8: a food head takes food-safe fluids in every method, pads and wipes included; contacts are no wet side. */
    @ParameterizedTest
    @EnumSource(Method.class)
    void a_food_head_takes_food_safe_fluids_in_every_method(Method method) {
        for (FluidKind kind : FluidKind.values()) {
            List<Code> unmarked = codes(method, ready(method, OPEN, true, bottle(kind, false)));
            assertThat(unmarked.contains(Code.FLUID_NOT_FOR_FOOD))
                    .as("%s, bottle without the mark", kind)
                    .isEqualTo(method != Method.RESEAT);
        }
        assertThat(codes(method, ready(method, OPEN, true, bottle(FluidKind.RESIDUE_REMOVER, true))))
                .as("a volatile, whatever its bottle says")
                .matches(codes -> method == Method.RESEAT || codes.contains(Code.FLUID_NOT_FOR_FOOD));
        assertThat(codes(method, ready(method, OPEN, true, bottle(FluidKind.FOOD_SAFE_CLEANER, true))))
                .doesNotContain(Code.FLUID_NOT_FOR_FOOD);
    }

    @ParameterizedTest
    @EnumSource(Method.class)
    void an_expired_lot_is_said_in_every_method(Method method) {
        Gates.Bottle old = new Gates.Bottle(FluidKind.DEIONISED_WATER, true, TODAY.minusDays(1));
        assertThat(codes(method, ready(method, OPEN, false, old))).contains(Code.LOT_EXPIRED);
    }

    /** All at once, nothing is lost: the gates of each are all there, so that the strictest stands. */
    @ParameterizedTest
    @EnumSource(Method.class)
    void gates_add_up(Method method) {
        Set<BarredWork> barred = Set.of(BarredWork.values());
        Set<NoPower> noPower = Set.of(NoPower.values());
        Gates.Bottle bottle = bottle(FluidKind.AMMONIA_CLEANER, false);
        for (Construction construction : Construction.values()) {
            for (Site site : Site.values()) {
                Family family = family(construction.limits());
                List<Gate> all =
                        Gates.of(treatment(method), situation(family, head(true, site, noPower, barred), bottle));
                List<Code> allCodes = all.stream().map(Gate::code).toList();
                for (Gates.Situation one : List.of(
                        situation(family, head(false, site, Set.of(), Set.of()), null),
                        situation(family, head(false, site, noPower, Set.of()), null),
                        situation(family, head(false, site, Set.of(), barred), null),
                        situation(family, head(true, site, Set.of(), Set.of()), bottle))) {
                    List<Gate> alone = Gates.of(treatment(method), one);
                    assertThat(allCodes)
                            .containsAll(alone.stream().map(Gate::code).toList());
                    assertThat(strictest(all)).isLessThanOrEqualTo(strictest(alone));
                }
                assertThat(allCodes).doesNotHaveDuplicates();
            }
        }
    }

    /** Ordinal of the strictest weight; refused is 0. */
    private static int strictest(List<Gate> gates) {
        return gates.stream().mapToInt(g -> g.weight().ordinal()).min().orElse(Integer.MAX_VALUE);
    }

    @TestFactory
    Stream<DynamicTest> no_method_is_missing() {
        return Stream.of("construction", "barred", "power", "place", "fluid")
                .map(name -> dynamicTest(
                        name,
                        () -> assertThat(table(name).stream().map(Cell::method).collect(Collectors.toSet()))
                                .containsExactlyInAnyOrderElementsOf(Arrays.stream(Method.values())
                                        .filter(m -> !name.equals("fluid") || !DRY.contains(m))
                                        .toList())));
    }

    @Test
    void nothing_that_keeps_from_power_is_missing() {
        assertThat(table("power").stream().map(Cell::column).collect(Collectors.toSet()))
                .containsAll(Stream.of(NoPower.values()).map(Enum::name).toList());
    }

    private static List<Code> codesIn(String says) {
        return says.equals("-")
                ? List.of()
                : Arrays.stream(says.split(" ")).map(Code::valueOf).toList();
    }

    @ParameterizedTest(name = "{0} on {1} at {2} °C: {3}")
    @CsvFileSource(resources = "/gates/heat.csv", numLinesToSkip = 2)
    void the_heat_limit_governs_liquids(Method method, Construction construction, double temperatureC, String says) {
        Treatment warm = switch (method.kind()) {
            case FLUSH ->
                new Treatment.Flush(
                        method,
                        Set.of(),
                        false,
                        List.of(stroke(60.0, null, null, Treatment.Resistance.FREE)),
                        temperatureC);
            case SOAK ->
                new Treatment.Soak(
                        method == Method.PORT_SOAK ? Treatment.Place.PORT : Treatment.Place.TRAY,
                        Set.of("K"),
                        BigDecimal.ONE,
                        10,
                        temperatureC);
            case BATH -> new Treatment.Bath(Set.of("K"), BigDecimal.TEN, 2, temperatureC, 1, 60);
            default -> new Treatment.Handwork(method, Set.of("K"), BigDecimal.ONE, temperatureC, null, null);
        };
        assertThat(Gates.of(warm, ready(method, family(construction.limits()), false, null)))
                .extracting(Gate::code)
                .isEqualTo(codesIn(says));
    }

    private static Stroke stroke(Double seconds, Syringe syringe, Syringe.Thumb force, Treatment.Resistance felt) {
        return new Stroke(
                null,
                null,
                "K",
                BigDecimal.valueOf(3),
                seconds,
                Seen.of(felt, Treatment.Effluent.TINTED, Treatment.Stream.WHOLE),
                syringe,
                force,
                null);
    }

    @ParameterizedTest(name = "{0}, 3 mL in {1} s, {2} open, {3} {4}, {5}: {6}")
    @CsvFileSource(resources = "/gates/pressure.csv", numLinesToSkip = 4, nullValues = "-")
    void a_push_keeps_to_the_pressure(
            Construction construction,
            Double seconds,
            Integer open,
            Syringe syringe,
            Syringe.Thumb force,
            Treatment.Resistance felt,
            String says) {
        Gates.HeadState head = new Gates.HeadState(
                false,
                Site.IN_CARRIAGE,
                Set.of(),
                0,
                0,
                Set.of(),
                Set.of(),
                open == null ? Map.of() : Map.of("K", open));
        Treatment push = new Treatment.Flush(List.of(stroke(seconds, syringe, force, felt)), 20);
        assertThat(Gates.of(push, situation(family(construction.limits()), head, null)))
                .extracting(Gate::code)
                .isEqualTo(codesIn(says == null ? "-" : says));
    }

    /** Handbook 9: suction at the head of a laminated one is 40 kPa at most, of an open inlet 30. */
    @ParameterizedTest
    @CsvSource({
        "LAMINATED_PIEZO, 39.9, -",
        "LAMINATED_PIEZO, 40, -",
        "LAMINATED_PIEZO, 40.1, SUCTION_TOO_HARD",
        "THERMAL_OPEN, 30, -",
        "THERMAL_OPEN, 30.1, SUCTION_TOO_HARD",
        "THERMAL_BLADDER, 5, NO_SUCTION",
    })
    void a_draw_keeps_to_the_suction(Construction construction, double kpa, String says) {
        Stroke drawn = new Stroke(null, null, "K", BigDecimal.ONE, null, Seen.NOTHING, null, null, kpa);
        Treatment draw = new Treatment.Flush(Method.DRAW_BACK, Set.of(), false, List.of(drawn), 20);
        assertThat(Gates.of(draw, ready(Method.DRAW_BACK, family(construction.limits()), false, null)))
                .extracting(Gate::code)
                .isEqualTo(codesIn(says));
    }

    /** A port that says "drops only" takes no push, whatever the construction's limit. */
    @ParameterizedTest
    @CsvSource({
        "FLUSH, true",
        "WARM, true",
        "PURGE, true",
        "PRIME, true",
        "PORT_SOAK, false",
        "RINSE, false",
        "TRAY_SOAK, false"
    })
    void drops_only_means_no_push(Method method, boolean gated) {
        Family drops = new Family(
                "X",
                "X",
                Construction.THERMAL_OPEN,
                List.of(new Channel("K", "Black", "#222222", "screen", 180, Channel.Fitting.DROPS_ONLY)),
                18,
                10,
                1,
                20,
                30,
                List.of());
        assertThat(codes(method, ready(method, drops, false, null)).contains(Code.NO_FITTING))
                .isEqualTo(gated);
        assertThat(method.allowedBy(drops)).isEqualTo(!gated);
    }

    @ParameterizedTest
    @CsvSource({
        "BASE_ONLY, BASE_ONLY, -",
        "BASE_ONLY, BODY, TOO_DEEP",
        "BASE_ONLY, BOARD, TOO_DEEP",
        "WHOLE_HEAD, BOARD, -",
        "FACE_ONLY, BODY, TOO_DEEP",
        "NO, BOARD, NO_SUBMERGE"
    })
    void a_tray_is_as_deep_as_the_family_says(Limits.Submerge submerge, Wet wet, String says) {
        Limits limits = new Limits(40.0, 30.0, submerge, Limits.Bath.HUNG, true, true, 60);
        Gates.HeadState head = head(false, Site.ON_BENCH, Set.of(), Set.of());
        assertThat(Gates.of(
                        treatment(Method.TRAY_SOAK), new Gates.Situation(family(limits), head, null, wet, null, TODAY)))
                .extracting(Gate::code)
                .isEqualTo(codesIn(says));
    }

    /** A head that is out is back in only when somebody says so, and taken out only where it may be. */
    @Test
    void the_place_that_is_entered_moves_the_head() {
        Gates.HeadState out = head(false, Site.ON_BENCH, Set.of(), Set.of());
        assertThat(Gates.of(
                        treatment(Method.CYCLE), new Gates.Situation(OPEN, out, Site.IN_CARRIAGE, null, null, TODAY)))
                .isEmpty();
        Gates.HeadState in = head(false, Site.IN_CARRIAGE, Set.of(), Set.of());
        Family fixed = family(Construction.DESK_PIEZO.limits().with(Limits.Removable.NO));
        assertThat(Gates.of(treatment(Method.PAD), new Gates.Situation(fixed, in, Site.ON_BENCH, null, null, TODAY)))
                .extracting(Gate::code)
                .containsExactly(Code.NOT_REMOVABLE);
    }

    @Test
    void a_check_and_a_look_with_power_pass_the_same_table() {
        for (NoPower reason : NoPower.values()) {
            assertThat(Gates.ofPower(situation(OPEN, head(false, Site.IN_CARRIAGE, Set.of(reason), Set.of()), null)))
                    .as("%s", reason)
                    .hasSize(1)
                    .allMatch(gate -> gate.weight() == Gate.Weight.REFUSED);
        }
        assertThat(Gates.ofPower(situation(OPEN, head(false, Site.ON_BENCH, Set.of(), Set.of(BarredWork.POWER)), null)))
                .extracting(Gate::code)
                .containsExactly(Code.REFIT_FIRST, Code.NO_POWER_NOW);
        assertThat(Gates.ofDropTest(situation(OPEN, head(false, Site.ON_BENCH, Set.of(), Set.of()), null)))
                .extracting(Gate::code)
                .containsExactly(Code.REFIT_FIRST);
    }
}
