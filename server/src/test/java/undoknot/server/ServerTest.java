package undoknot.server;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.autoconfigure.web.servlet.MockMvcPrint;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import undoknot.server.account.Somebody;

/** The whole server with the demo data over the MariaDB that ./test starts; the clock is one that tests can move. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(properties = {"undoknot.demo=true", "undoknot.changes-every=1h"})
@AutoConfigureMockMvc(print = MockMvcPrint.NONE)
@Import({MovableClock.Config.class, Api.class, Somebody.class})
public @interface ServerTest {}
