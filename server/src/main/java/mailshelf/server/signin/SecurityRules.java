package mailshelf.server.signin;

import mailshelf.core.Problem;
import mailshelf.server.HouseSettings;
import mailshelf.server.http.ProblemWriter;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.firewall.RequestRejectedHandler;

/** Which addresses need a session, and the browser's own defences. What one may do there is the gate's to say. */
@Configuration(proxyBeanMethods = false)
class SecurityRules {
    private static final long HSTS_SECONDS = 31_536_000;

    private static final String POLICY = "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
            + "img-src 'self' data:; font-src 'self'; connect-src 'self'; frame-src 'self'; "
            + "base-uri 'none'; form-action 'self'; frame-ancestors 'self'";

    private final ProblemWriter problems;
    private final HouseSettings settings;

    SecurityRules(ProblemWriter problems, HouseSettings settings) {
        this.problems = problems;
        this.settings = settings;
    }

    @Bean
    SecurityFilterChain filters(HttpSecurity http, Sessions sessions) throws Exception {
        return http.authorizeHttpRequests(routes -> routes.requestMatchers(
                                "/api/v1/session",
                                "/api/v1/invitations/**",
                                "/api/v1/password-resets",
                                "/api/v1/address-changes/**",
                                "/api/v1/demo/**",
                                "/api/openapi.json")
                        .permitAll()
                        .requestMatchers("/api/**")
                        .authenticated()
                        .requestMatchers("/actuator/health")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.spa().csrfTokenRepository(csrfTokens()).ignoringRequestMatchers("/leave/*"))
                .securityContext(context -> context.securityContextRepository(sessions))
                .sessionManagement(none -> none.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(cache -> cache.disable())
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .frameOptions(frames -> frames.sameOrigin())
                        .httpStrictTransportSecurity(hsts -> hsts.requestMatcher(request -> settings.isSecure())
                                .maxAgeInSeconds(HSTS_SECONDS))
                        .referrerPolicy(referrer -> {}))
                .exceptionHandling(faults -> faults.authenticationEntryPoint((request, response, e) -> problems.write(
                                response,
                                HttpStatus.UNAUTHORIZED,
                                Problem.invalid("signin.needed"),
                                request.getLocale()))
                        .accessDeniedHandler((request, response, e) -> problems.write(
                                response,
                                HttpStatus.FORBIDDEN,
                                Problem.invalid("request.forged"),
                                request.getLocale())))
                .logout(logout -> logout.disable())
                .build();
    }

    /** Read by the page's own script; secure where the page is. */
    private CookieCsrfTokenRepository csrfTokens() {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> cookie.secure(settings.isSecure()).sameSite("Lax"));
        return tokens;
    }

    /**
     * Files of the web application are anybody's, and need no session and no token; they have the headers of all else.
     */
    @Bean
    @Order(0)
    SecurityFilterChain staticFiles(HttpSecurity http) throws Exception {
        return http.securityMatcher("/assets/**")
                .authorizeHttpRequests(routes -> routes.anyRequest().permitAll())
                .csrf(csrf -> csrf.disable())
                .securityContext(context -> context.disable())
                .sessionManagement(none -> none.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(cache -> cache.disable())
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .cacheControl(cache -> cache.disable())
                        .httpStrictTransportSecurity(hsts -> hsts.requestMatcher(request -> settings.isSecure())
                                .maxAgeInSeconds(HSTS_SECONDS)))
                .logout(logout -> logout.disable())
                .build();
    }

    /** Addresses that no honest page asks for are refused before anything looks at them; in words, too. */
    @Bean
    RequestRejectedHandler refused() {
        return (request, response, e) -> problems.write(
                response, HttpStatus.BAD_REQUEST, Problem.invalid("request.bad-address"), request.getLocale());
    }

    /** Keeps Spring from making an account of its own; sign-in does not ask it. */
    @Bean
    UserDetailsService noOtherAccounts() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }
}
