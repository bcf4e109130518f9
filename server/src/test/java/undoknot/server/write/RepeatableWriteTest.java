package undoknot.server.write;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.function.Supplier;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.SimpleTransactionStatus;
import undoknot.server.problem.Refused;

class RepeatableWriteTest {

    private final PlatformTransactionManager transactions = mock(PlatformTransactionManager.class);
    private final RepeatableWrite writes = new RepeatableWrite(transactions);

    @SuppressWarnings("unchecked")
    private final Supplier<String> write = mock(Supplier.class);

    @BeforeEach
    void transaction() {
        when(transactions.getTransaction(any())).thenAnswer(call -> new SimpleTransactionStatus());
    }

    @Test
    void a_write_that_meets_another_is_run_again_in_a_transaction_of_its_own() {
        when(write.get())
                .thenThrow(new DuplicateKeyException("key"))
                .thenThrow(new PessimisticLockingFailureException("deadlock"))
                .thenThrow(new ObjectOptimisticLockingFailureException("version", null))
                .thenReturn("what the first one stored");
        assertThat(writes.run(write)).isEqualTo("what the first one stored");
        verify(transactions, times(3)).rollback(any());
        verify(transactions, times(1)).commit(any());
    }

    @Test
    void it_does_not_try_for_ever() {
        when(write.get()).thenThrow(new DuplicateKeyException("always"));
        assertThatThrownBy(() -> writes.run(write)).isInstanceOf(DuplicateKeyException.class);
        verify(write, times(4)).get();
    }

    @Test
    void what_is_refused_is_refused_at_once_and_rolled_back() {
        when(write.get()).thenThrow(Refused.notFound("visit"));
        assertThatThrownBy(() -> writes.run(write)).isInstanceOf(Refused.class).hasMessage("There is no such visit.");
        verify(write, times(1)).get();
        verify(transactions).rollback(any());
    }

    @Test
    void a_stale_version_is_answered_with_both() {
        assertThatThrownBy(() -> Versions.check(2L, 1L, () -> "current", "yours"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("Nothing was overwritten");
        assertThatThrownBy(() -> Versions.check(0L, null, () -> "current", "yours"))
                .isInstanceOf(Refused.class);
        Versions.check(
                2L,
                2L,
                () -> {
                    throw new AssertionError("only asked for when it is needed");
                },
                "yours");
    }
}
