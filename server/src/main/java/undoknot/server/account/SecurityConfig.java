package undoknot.server.account;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authorization.AuthorityAuthorizationManager;
import org.springframework.security.authorization.AuthorizationManagers;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.config.web.PathPatternRequestMatcherBuilderFactoryBean;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.session.ChangeSessionIdAuthenticationStrategy;
import org.springframework.security.web.authentication.session.CompositeSessionAuthenticationStrategy;
import org.springframework.security.web.authentication.session.SessionAuthenticationStrategy;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfAuthenticationStrategy;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.web.filter.OncePerRequestFilter;
import undoknot.server.problem.Problems;

/** Who may do what: sign-in and health are open, reading needs a session, writing needs a role that writes. */
@Configuration
class SecurityConfig {

    /** Style attributes come from the component library; scripts are files of ours only. */
    static final String CONTENT_POLICY = "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
            + "img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; manifest-src 'self'; frame-src 'self'; "
            + "form-action 'self'; base-uri 'none'; frame-ancestors 'self'";

    @Bean
    Clock clock() {
        // In microseconds, as the database keeps instants: what is answered from memory is what will be read later.
        return Clock.tick(Clock.systemDefaultZone(), Duration.of(1, ChronoUnit.MICROS));
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    /** Without this bean, Boot would make a user of its own and log a password. */
    @Bean
    AuthenticationManager authenticationManager() {
        return authentication -> authentication;
    }

    @Bean
    SecurityContextRepository securityContextRepository() {
        return new HttpSessionSecurityContextRepository();
    }

    /** Paths are told apart by themselves; asking every handler for its own, rule by rule, cost more than some answers. */
    @Bean
    PathPatternRequestMatcherBuilderFactoryBean byPath() {
        return new PathPatternRequestMatcherBuilderFactoryBean();
    }

    @Bean
    CookieCsrfTokenRepository csrfTokens() {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Lax"));
        return tokens;
    }

    @Bean
    SessionAuthenticationStrategy atSignIn(CookieCsrfTokenRepository tokens) {
        return new CompositeSessionAuthenticationStrategy(
                List.of(new ChangeSessionIdAuthenticationStrategy(), new CsrfAuthenticationStrategy(tokens)));
    }

    /** What the firewall turns away, such as TRACE, is answered on the spot: an error page would be turned away again. */
    @Bean
    RequestRejectedHandler turnedAway(ObjectMapper json) {
        return (request, response, cause) -> Problems.write(
                response,
                json,
                Problems.of(
                        HttpStatus.BAD_REQUEST,
                        "bad-address",
                        "This address cannot be answered. Go back to the bench."));
    }

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            SecurityContextRepository contexts,
            CookieCsrfTokenRepository tokens,
            ObjectMapper json,
            FirstCode firstCode,
            Tablets tablets,
            Clock clock,
            @Value("${undoknot.session-at-most}") Duration longest,
            @Value("${undoknot.demo}") boolean demo)
            throws Exception {
        http.securityContext(c -> c.securityContextRepository(contexts))
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.IF_REQUIRED))
                .requestCache(c -> c.disable())
                .logout(l -> l.disable())
                .csrf(c -> c.csrfTokenRepository(tokens).csrfTokenRequestHandler(new TokenInHeader()))
                .addFilterAfter(new OfferCsrfCookie(), CsrfFilter.class)
                .addFilterBefore(new EndOldSessions(longest, clock), SecurityContextHolderFilter.class)
                .headers(h -> h.contentSecurityPolicy(p -> p.policyDirectives(CONTENT_POLICY))
                        .frameOptions(f -> f.sameOrigin())
                        .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN))
                        .permissionsPolicyHeader(p -> p.policy("camera=(self), geolocation=(), microphone=()")))
                .authorizeHttpRequests(a -> a.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.ASYNC)
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/session", "/api/session/first", "/api/session/pin")
                        .permitAll()
                        // The board on a wall: its link is its key.
                        .requestMatchers(HttpMethod.GET, "/api/session/people", "/api/wall/*", "/api/wall/*/changes")
                        .permitAll()
                        .requestMatchers("/actuator/health/**")
                        .permitAll()
                        .requestMatchers(HttpMethod.DELETE, "/api/session")
                        .authenticated()
                        .requestMatchers(HttpMethod.PUT, "/api/session/password", "/api/session/pin")
                        .authenticated()
                        .requestMatchers("/api/accounts/**", "/api/accounts")
                        .access(AuthorizationManagers.allOf(
                                AuthorityAuthorizationManager.hasRole(Role.LEAD.name()),
                                AuthorizationManagers.not(AuthorityAuthorizationManager.hasAuthority(
                                        SessionController.BY_PIN.getAuthority()))))
                        .requestMatchers(HttpMethod.GET, "/api/**", "/v3/**")
                        .authenticated()
                        .requestMatchers(
                                HttpMethod.POST,
                                "/api/nozzles/spoken",
                                "/api/mixtures/sum",
                                "/api/visits/*/procedure/sum",
                                "/api/visits/*/attempts/preview",
                                "/api/visits/*/maps/read")
                        .authenticated()
                        .requestMatchers(HttpMethod.PUT, "/api/layouts/*", "/api/families/*")
                        .hasRole(Role.LEAD.name())
                        .requestMatchers("/api/**", "/v3/**", "/actuator/**")
                        .hasAnyRole(Role.TECHNICIAN.name(), Role.LEAD.name())
                        .requestMatchers(HttpMethod.GET, "/**")
                        .permitAll()
                        .anyRequest()
                        .denyAll())
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, cause) -> {
                            ProblemDetail problem = Problems.of(
                                    HttpStatus.UNAUTHORIZED,
                                    "no-session",
                                    "Sign in to go on. Nothing you entered is lost.");
                            if (demo) {
                                problem.setProperty("demoAccounts", DemoAccounts.NAMES);
                            }
                            tablets.of(request).ifPresent(tablet -> problem.setProperty("tablet", tablet.name));
                            if (firstCode.isOut()) {
                                problem.setProperty("empty", true);
                            }
                            Problems.write(response, json, problem);
                        })
                        .accessDeniedHandler((request, response, cause) -> Problems.write(
                                response,
                                json,
                                cause instanceof org.springframework.security.web.csrf.CsrfException
                                        ? Problems.of(
                                                HttpStatus.FORBIDDEN,
                                                "stale-page",
                                                "This page is too old to write. Load it again; drafts are kept.")
                                        : Problems.of(
                                                HttpStatus.FORBIDDEN,
                                                "not-allowed",
                                                "Your account may not do this. Ask a lead."))));
        return http.build();
    }

    /** Looked for in the header alone: to find it in a form, all that a stranger sends would be taken in first. */
    private static final class TokenInHeader extends CsrfTokenRequestAttributeHandler {
        @Override
        public String resolveCsrfTokenValue(HttpServletRequest request, CsrfToken token) {
            return request.getHeader(token.getHeaderName());
        }
    }

    /** Reads the token on every request, so that its cookie is there before the first write. */
    private static final class OfferCsrfCookie extends OncePerRequestFilter {
        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            if (request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
                token.getToken();
            }
            chain.doFilter(request, response);
        }
    }

    /** However often a session is used, it ends some days after the sign-in. */
    private static final class EndOldSessions extends OncePerRequestFilter {
        private final Duration longest;
        private final Clock clock;

        EndOldSessions(Duration longest, Clock clock) {
            this.longest = longest;
            this.clock = clock;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            boolean asksTheRecord = request.getRequestURI().startsWith("/api/");
            HttpSession session = asksTheRecord ? request.getSession(false) : null;
            if (session != null
                    && clock.instant()
                            .isAfter(Instant.ofEpochMilli(session.getCreationTime())
                                    .plus(longest))) {
                session.invalidate();
            }
            chain.doFilter(request, response);
        }
    }
}
