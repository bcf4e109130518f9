package undoknot.finish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.finish.OffPart.Kind;
import undoknot.finish.UsualParts.Usual;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.treatment.NoPower;

/** Handbook 14, refit: the reversed list, seals the right way up, each cartridge recognised. */
class OffPartTest {

    private static final Instant AT = Instant.parse("2026-03-02T06:00:00Z");

    private static OffPart part(String id, Kind kind, int count, int minute, OffPart.Back back) {
        return new OffPart(id, kind, id, null, count, "", AT.plusSeconds(60L * minute), back);
    }

    @ParameterizedTest
    @CsvSource({
        "PART,      1, , , , false, true",
        "PART,      1, 1, , , false, false",
        "SCREW,     4, 3, , , false, true",
        "SCREW,     4, 4, , , false, false",
        "SCREW,     4, 3, , , true,  false",
        "CARTRIDGE, 1, 1, true, true, false, false",
        "CARTRIDGE, 1, 1, true, false, false, true",
        "CARTRIDGE, 1, 1, true, , false, true",
        "CARTRIDGE, 1, 1, , , false, true",
        "SEAL,      6, 5, , , false, true",
    })
    void it_is_open_until_all_of_it_is_back(
            Kind kind, int count, Integer back, Boolean light, Boolean menu, boolean stays, boolean open) {
        OffPart.Back how = back == null ? null : new OffPart.Back(back, light, menu, stays);
        assertThat(part("a", kind, count, 0, how).isOpen()).isEqualTo(open);
    }

    @Test
    void light_and_menu_that_disagree_are_named() {
        assertThat(part("C", Kind.CARTRIDGE, 1, 0, new OffPart.Back(1, true, false, false))
                        .isInDispute())
                .isTrue();
        assertThat(part("C", Kind.CARTRIDGE, 1, 0, new OffPart.Back(1, true, null, false))
                        .isInDispute())
                .isFalse();
    }

    @Test
    void what_came_off_last_goes_back_first() {
        List<OffPart> parts = List.of(
                part("cover", Kind.PART, 1, 0, null),
                part("screws", Kind.SCREW, 2, 1, null),
                part("clip", Kind.CLIP, 1, 2, new OffPart.Back(1, null, null, false)),
                part("head", Kind.HEAD, 1, 3, null));
        assertThat(OffPart.reversed(parts)).extracting(OffPart::id).containsExactly("head", "screws", "cover");
    }

    @Test
    void ribbons_and_what_is_laid_in_keep_the_head_from_power_and_nothing_else_does() {
        for (Kind kind : Kind.values()) {
            NoPower expected = kind == Kind.RIBBON ? NoPower.CABLE_OFF : kind == Kind.LAID_IN ? NoPower.LAID_IN : null;
            assertThat(kind.keepsFromPower()).as("%s", kind).isEqualTo(expected);
        }
    }

    private static Family family(String code) {
        return StarterFamilies.ALL.stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    /** "manifold, four screws" is two entries, what holds it first; cartridges are one each, light colours first. */
    @Test
    void the_usual_list_of_a_family_is_ready_to_tick() {
        Family desk = family("ORSEL-D6");
        List<Usual> usual = UsualParts.of(desk);
        assertThat(usual.subList(0, 6)).allMatch(u -> u.kind() == Kind.CARTRIDGE && u.count() == 1);
        assertThat(usual.stream().limit(6).map(Usual::channel))
                .containsExactlyElementsOf(desk.lightFirst(
                        desk.channels().stream().map(c -> c.code()).toList()));
        assertThat(usual.subList(6, usual.size()))
                .extracting(Usual::kind, Usual::name, Usual::count)
                .containsExactly(
                        tuple(Kind.TUBE, "tubes from their guide", 1),
                        tuple(Kind.PART, "sub-tanks", 1),
                        tuple(Kind.PART, "ribbon cover", 1),
                        tuple(Kind.SCREW, "screws", 2),
                        tuple(Kind.HEAD, "head", 1),
                        tuple(Kind.RIBBON, "ribbon", 1));
        Family laminated = StarterFamilies.ALL.stream()
                .filter(f -> f.machine().parts().contains("gasket"))
                .findFirst()
                .orElseThrow();
        assertThat(UsualParts.of(laminated))
                .extracting(Usual::kind, Usual::name, Usual::count)
                .containsExactly(
                        tuple(Kind.PART, "cover", 1),
                        tuple(Kind.SCREW, "screws of the manifold", 4),
                        tuple(Kind.PART, "manifold", 1),
                        tuple(Kind.SEAL, "gasket", 1),
                        tuple(Kind.HEAD, "head", 1),
                        tuple(Kind.RIBBON, "ribbon", 1));
    }
}
