package undoknot.finish;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Hours × rate, fluids, parts, margin and tax of the house (handbook 12 and 14). */
class BillTest {

    private static final Bill.Terms HOUSE = terms("36", "0.25", "0.19");

    private static Bill.Terms terms(String rate, String margin, String tax) {
        return new Bill.Terms(money(rate), money(margin), money(tax));
    }

    private static BigDecimal money(String text) {
        return new BigDecimal(text);
    }

    /** 50 min at 36 = 30.00; 4.20 + 21.00 at cost, a quarter on it 6.30; net 61.50; 19 % of it 11.685, half up 11.69. */
    @Test
    void the_sum_by_hand() {
        Bill bill = Bill.of(HOUSE, 50, money("4.20"), money("21"), null, money("60"));
        assertThat(bill.hands()).isEqualTo("30.00");
        assertThat(bill.margin()).isEqualTo("6.30");
        assertThat(bill.net()).isEqualTo("61.50");
        assertThat(bill.tax()).isEqualTo("11.69");
        assertThat(bill.total()).isEqualTo("73.19");
        assertThat(bill.overLimit()).isEqualTo("13.19");
    }

    @Test
    void an_agreed_price_takes_the_place_of_the_sum_and_is_taxed() {
        Bill bill = Bill.of(HOUSE, 50, money("4.20"), money("21"), money("50"), money("59.50"));
        assertThat(bill.agreed()).isTrue();
        assertThat(bill.net()).isEqualTo("50.00");
        assertThat(bill.total()).isEqualTo("59.50");
        assertThat(bill.overLimit()).as("at the limit is not over it").isNull();
    }

    @Test
    void without_a_limit_nothing_is_over_it() {
        assertThat(Bill.of(HOUSE, 0, money("0"), money("0"), null, null).overLimit())
                .isNull();
    }

    /** What stands on paper adds up to the cent, whatever was rounded. */
    @Test
    void the_lines_add_up() {
        Random random = new Random(14);
        for (int i = 0; i < 500; i++) {
            Bill bill = Bill.of(
                    terms("" + random.nextInt(90), "0." + random.nextInt(99), "0." + random.nextInt(30)),
                    random.nextInt(900),
                    BigDecimal.valueOf(random.nextDouble() * 80),
                    BigDecimal.valueOf(random.nextDouble() * 200),
                    null,
                    null);
            assertThat(bill.hands().add(bill.fluids()).add(bill.parts()).add(bill.margin()))
                    .isEqualByComparingTo(bill.net());
            assertThat(bill.net().add(bill.tax())).isEqualByComparingTo(bill.total());
            assertThat(bill.total().scale()).isEqualTo(2);
        }
    }
}
