package mailshelf.server.signin;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import mailshelf.core.Problem;
import mailshelf.server.http.ProblemAnswers;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import tools.jackson.databind.json.JsonMapper;

/** Which addresses need a session, and the browser's own defences. What one may do there is the gate's to say. */
@Configuration(proxyBeanMethods = false)
class SecurityRules {
    private static final String POLICY = "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
            + "img-src 'self' data:; font-src 'self'; connect-src 'self'; frame-src 'self'; "
            + "base-uri 'none'; form-action 'self'; frame-ancestors 'self'";

    private final JsonMapper json;

    SecurityRules(JsonMapper json) {
        this.json = json;
    }

    @Bean
    SecurityFilterChain filters(HttpSecurity http, Sessions sessions) throws Exception {
        return http.authorizeHttpRequests(routes -> routes.requestMatchers(
                                "/api/v1/session", "/api/v1/invitations/**", "/api/v1/demo/**", "/api/docs/**")
                        .permitAll()
                        .requestMatchers("/api/**")
                        .authenticated()
                        .requestMatchers("/actuator/health")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.spa().ignoringRequestMatchers("/leave/*"))
                .securityContext(context -> context.securityContextRepository(sessions))
                .sessionManagement(none -> none.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(cache -> cache.disable())
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .frameOptions(frames -> frames.sameOrigin())
                        .referrerPolicy(referrer -> {}))
                .exceptionHandling(faults -> faults.authenticationEntryPoint((request, response, e) ->
                                write(response, HttpStatus.UNAUTHORIZED, "signin.needed", request.getLocale()))
                        .accessDeniedHandler((request, response, e) ->
                                write(response, HttpStatus.FORBIDDEN, "request.forged", request.getLocale())))
                .logout(logout -> logout.disable())
                .build();
    }

    /** Addresses that no honest page asks for are refused before anything looks at them; in words, too. */
    @Bean
    RequestRejectedHandler refused() {
        return (request, response, e) ->
                write(response, HttpStatus.BAD_REQUEST, "request.bad-address", request.getLocale());
    }

    private void write(HttpServletResponse response, HttpStatus status, String code, Locale locale) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        Problem problem = Problem.invalid(code);
        response.getOutputStream().write(json.writeValueAsBytes(ProblemAnswers.document(status, problem, locale)));
    }

    /** Keeps Spring from making an account of its own; sign-in does not ask it. */
    @Bean
    UserDetailsService noOtherAccounts() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }
}
