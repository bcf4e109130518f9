package undoknot.fluid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;

class DrawTest {

    @Test
    void leaves_the_rest_to_the_hundredth() {
        assertThat(new Draw(new BigDecimal("0.30"), new BigDecimal("0.90")).leftAfterMl())
                .isEqualByComparingTo("0.60");
        assertThat(new Draw(new BigDecimal("5"), new BigDecimal("5.00")).leftAfterMl())
                .isEqualByComparingTo("0");
    }

    @Test
    void says_how_much_is_short() {
        Draw draw = new Draw(new BigDecimal("5.01"), new BigDecimal("5"));
        assertThat(draw.isEnough()).isFalse();
        assertThat(draw.shortByMl()).isEqualByComparingTo("0.01");
        assertThatThrownBy(draw::leftAfterMl).hasMessageContaining("holds 5 mL");
        assertThatThrownBy(() -> new Draw(new BigDecimal("-1"), BigDecimal.TEN)).hasMessageContaining("negative");
    }
}
