package undoknot.e2e;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Stand-in heads of ten causes and two pairs, from take-in to the saved head by nothing but what the screen proposes. */
class SavedHeadsTest extends ByTheScreen {

    private static final int STEPS = 60;

    @ParameterizedTest(name = "{2}")
    @CsvSource({
        "Orsel D6, Gaps in one colour, DRIED_INK MILD C",
        "Pellam M5, Gaps in one colour, AIR FIRM M",
        "Pellam M5, Starves down the sheet, SUPPLY_RESTRICTED FIRM Y",
        "Vennick B3, One colour gone, CARTRIDGE_FAULT FIRM M",
        "Vennick B3, More gaps after a cleaning, SERVICE_STATION MILD C",
        "Hulver W8, Gaps in one colour, FACE_DEBRIS MILD LK",
        "Skerrin L4, Smears at one edge or height, CARRIAGE_DIRT FIRM C",
        "Pellam M5, Head error at power-on, CONTACTS FIRM G",
        "Vennick B3, 'Banding, all nozzles firing', ALIGNMENT_ENCODER FIRM C",
        "Vennick B3, Gaps in several, UNSUITABLE_INK MILD C",
        "Pellam M5, Gaps in one colour, AIR FIRM M + CARRIAGE_DIRT FIRM M",
        "Vennick B3, One colour gone, CARTRIDGE_FAULT FIRM M + DRIED_INK MILD C"
    })
    void the_screen_leads_from_take_in_to_the_saved_head(String family, String symptom, String faults) {
        signIn(page, "wenna");
        visit = takeInByScreen(page, "Saved by the screen", family, symptom);
        standIn(faults);
        List<String> way = new ArrayList<>();
        page.navigate(shop.address + "/visits/" + visit);
        while (way.size() < STEPS) {
            String advice = advised();
            if (advice.equals("Finish and return")) {
                return;
            }
            way.add(advice);
            Assertions.assertFalse(advice.startsWith("Not ") || advice.startsWith("Stop"), "given up after " + way);
            follow(advice);
        }
        Assertions.fail("no end after " + way);
    }
}
