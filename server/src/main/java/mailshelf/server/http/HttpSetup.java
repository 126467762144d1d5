package mailshelf.server.http;

import com.fasterxml.jackson.annotation.Nulls;
import jakarta.servlet.DispatcherType;
import java.time.Duration;
import java.util.List;
import java.util.function.LongFunction;
import mailshelf.core.Id;
import mailshelf.core.json.CoreJson;
import mailshelf.core.json.Ids;
import mailshelf.core.time.Period;
import mailshelf.server.signin.SignedIn;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.http.CacheControl;
import org.springframework.validation.Errors;
import org.springframework.validation.Validator;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JacksonModule;

/** How core's values look in requests and answers; and the web application's addresses. */
@Configuration(proxyBeanMethods = false)
class HttpSetup implements WebMvcConfigurer {
    private final SignedIn signedIn;

    HttpSetup(SignedIn signedIn) {
        this.signedIn = signedIn;
    }

    @Bean
    JacksonModule coreModule() {
        return CoreJson.module();
    }

    /** What is no Optional must be there: a request that lacks it is refused before anybody stumbles over it. */
    @Bean
    JsonMapperBuilderCustomizer nothingMissing() {
        return builder -> builder.enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
                .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL));
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(signedIn);
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new EndsWithCaller());
    }

    @Bean
    static WebServerFactoryCustomizer<TomcatServletWebServerFactory> callersLookedFor() {
        return factory -> factory.addContextValves(new CallerThere());
    }

    /** Around all else. */
    @Bean
    static FilterRegistrationBean<FaultAnswers> faultAnswers(ProblemWriter problems) {
        FilterRegistrationBean<FaultAnswers> bean = new FilterRegistrationBean<>(new FaultAnswers(problems));
        bean.setOrder(Ordered.HIGHEST_PRECEDENCE);
        bean.setDispatcherTypes(DispatcherType.REQUEST, DispatcherType.ASYNC);
        return bean;
    }

    @Override
    public void addFormatters(FormatterRegistry registry) {
        Ids.each(new Ids.Use() {
            @Override
            public <T extends Id> void use(Class<T> type, LongFunction<T> of) {
                Converter<String, T> converter = text -> of.apply(Long.parseLong(text));
                registry.addConverter(String.class, type, converter);
            }
        });
        registry.addConverter(String.class, EntityTag.class, EntityTag::parse);
        registry.addConverter(
                String.class,
                Period.class,
                text -> Period.parse(text).orElseThrow(() -> new IllegalArgumentException("Not a period: " + text)));
    }

    /** Nothing is validated by annotations; a validator for them would take a third of a second of each start. */
    @Override
    public Validator getValidator() {
        return new Validator() {
            @Override
            public boolean supports(Class<?> type) {
                return false;
            }

            @Override
            public void validate(Object target, Errors errors) {
                throw new IllegalStateException("Nothing is validated: " + target.getClass());
            }
        };
    }

    /** Files whose names tell their contents are fetched once; all else, above all figures, is asked for each time. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/META-INF/resources/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    }

    /** The web application finds its own way from any of its addresses. */
    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        for (String address : List.of(
                "/",
                "/sign-in",
                "/invitations/{token}",
                "/forgotten-password",
                "/address-changes/{token}",
                "/library",
                "/library/{folder}",
                "/clippings",
                "/clippings/{id}",
                "/named",
                "/reports/{id}",
                "/reports/{id}/edit",
                "/data",
                "/data/{id}",
                "/subscriptions",
                "/subscriptions/{id}",
                "/compose",
                "/issues/{id}",
                "/runs/{id}",
                "/house",
                "/house/{part}",
                "/account",
                "/mail-room",
                "/mail-room/{address}")) {
            registry.addViewController(address).setViewName("forward:/index.html");
        }
    }
}
