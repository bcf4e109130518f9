package undoknot.server.problem;

import org.apache.catalina.Container;
import org.apache.catalina.Valve;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.web.embedded.tomcat.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/** Puts {@link ProblemValve} in the place of Tomcat's pages of HTML. */
@Configuration
class TomcatProblems {

    /** After Boot's own, which adds a valve that writes HTML. */
    private static final class Last implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

        @Override
        public int getOrder() {
            return Ordered.LOWEST_PRECEDENCE;
        }

        @Override
        public void customize(TomcatServletWebServerFactory factory) {
            factory.addContextCustomizers(context -> {
                Container host = context.getParent();
                for (Valve valve : host.getPipeline().getValves()) {
                    if (valve instanceof ErrorReportValve) {
                        host.getPipeline().removeValve(valve);
                    }
                }
                if (host instanceof StandardHost standard) {
                    standard.setErrorReportValveClass(ProblemValve.class.getName());
                }
                host.getPipeline().addValve(new ProblemValve());
                host.getPipeline().addValve(new CloseUnread());
            });
        }
    }

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> problemValves() {
        return new Last();
    }
}
