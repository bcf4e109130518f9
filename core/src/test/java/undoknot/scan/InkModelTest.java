package undoknot.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class InkModelTest {

    private static final float[] WHITE = {246, 246, 243};
    private static final float[] DARK = {36, 38, 43};

    private static float density(InkModel model, float[] seen, float[] paper) {
        return model.density(seen[0], seen[1], seen[2], paper[0], paper[1], paper[2]);
    }

    private static float[] mix(float[] paper, float[] ink, float share) {
        float[] seen = new float[3];
        for (int k = 0; k < 3; k++) {
            seen[k] = paper[k] + share * (ink[k] - paper[k]);
        }
        return seen;
    }

    @ParameterizedTest
    @ValueSource(strings = {"#22252b", "#0092c4", "#c2186b", "#f2d81c", "#7d838c", "#6fc3de"})
    void bare_paper_is_none_the_layouts_ink_is_full_and_half_is_half(String ink) {
        InkModel model = new InkModel(ink, WHITE, 1);
        assertThat(density(model, WHITE, WHITE)).isCloseTo(0, within(1e-4f));
        assertThat(density(model, InkModel.rgb(ink), WHITE)).isCloseTo(1, within(1e-3f));
        assertThat(density(model, mix(WHITE, InkModel.rgb(ink), 0.5f), WHITE)).isCloseTo(0.5f, within(1e-3f));
    }

    @Test
    void white_ink_on_dark_stock_counts_the_other_way_round() {
        InkModel model = new InkModel("#f2f3f4", DARK, 1);
        assertThat(model.darker()).isFalse();
        assertThat(density(model, InkModel.rgb("#f2f3f4"), DARK)).isCloseTo(1, within(1e-3f));
    }

    @Test
    void two_inks_over_one_another_are_told_apart() {
        InkModel cyan = new InkModel("#0092c4", WHITE, 1);
        InkModel magenta = new InkModel("#c2186b", WHITE, 1);
        float[] change = new float[3];
        float[] c = InkModel.rgb("#0092c4");
        float[] m = InkModel.rgb("#c2186b");
        for (int k = 0; k < 3; k++) {
            change[k] = 0.3f * (WHITE[k] - c[k]) / WHITE[k] + 0.6f * (WHITE[k] - m[k]) / WHITE[k];
        }
        float[] split = cyan.split(change, magenta);
        assertThat(split[0]).isCloseTo(0.3f, within(1e-3f));
        assertThat(split[1]).isCloseTo(0.6f, within(1e-3f));
        assertThat(split[2]).isCloseTo(0, within(1e-5f));
    }

    @Test
    void another_ink_alone_is_none_of_this_one() {
        InkModel yellow = new InkModel("#f2d81c", WHITE, 1);
        InkModel black = new InkModel("#22252b", WHITE, 1);
        float[] k = InkModel.rgb("#22252b");
        float[] change = new float[3];
        for (int i = 0; i < 3; i++) {
            change[i] = (WHITE[i] - k[i]) / WHITE[i];
        }
        assertThat(yellow.split(change, black)[0]).isCloseTo(0, within(1e-3f));
    }

    @Test
    void shade_is_told_from_tint_by_the_brightest_colour() {
        assertThat(InkModel.light(new float[] {123, 123, 121.5f}, "#f6f6f3")).isCloseTo(0.5f, within(0.01f));
        assertThat(InkModel.light(new float[] {246, 230, 190}, "#f6f6f3")).isCloseTo(1, within(0.01f));
    }
}
