package undoknot.server.bench;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/**
 * Looks at the bench once before the server says that it is ready: after a restart every open page asks for it at once, and the first
 * look takes some seconds.
 */
@Configuration
class BenchBeforehand {

    private static final Logger LOG = LoggerFactory.getLogger(BenchBeforehand.class);

    @Bean
    ApplicationRunner lookAtTheBench(BenchController bench, ObjectMapper json) {
        return arguments -> {
            try {
                json.writeValueAsString(bench.bench(""));
                json.writeValueAsString(bench.clocks());
            } catch (DataAccessException | TransactionException | JsonProcessingException later) {
                LOG.debug("whoever looks first waits a little longer", later);
            }
        };
    }
}
