package mailshelf.server.http;

import com.fasterxml.jackson.annotation.Nulls;
import java.time.Duration;
import java.util.List;
import mailshelf.core.data.DataSetId;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.json.CoreJson;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.time.Period;
import mailshelf.server.signin.SignedIn;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.http.CacheControl;
import org.springframework.validation.Errors;
import org.springframework.validation.Validator;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
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
    public void addFormatters(FormatterRegistry registry) {
        id(registry, ReportId.class, ReportId::new);
        id(registry, SubscriptionId.class, SubscriptionId::new);
        id(registry, RunId.class, RunId::new);
        id(registry, IssueId.class, IssueId::new);
        id(registry, CopyId.class, CopyId::new);
        id(registry, DeliveryId.class, DeliveryId::new);
        id(registry, PersonId.class, PersonId::new);
        id(registry, GroupId.class, GroupId::new);
        id(registry, FolderId.class, FolderId::new);
        id(registry, DataSetId.class, DataSetId::new);
        registry.addConverter(
                String.class,
                Period.class,
                text -> Period.parse(text).orElseThrow(() -> new IllegalArgumentException("Not a period: " + text)));
    }

    private interface FromNumber<T> {
        T of(long number);
    }

    private static <T> void id(FormatterRegistry registry, Class<T> type, FromNumber<T> from) {
        Converter<String, T> converter = text -> from.of(Long.parseLong(text));
        registry.addConverter(String.class, type, converter);
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

    /** The web application finds its own way from any of its addresses. */
    /** Files whose names tell their contents are fetched once; all else, above all figures, is asked for each time. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/META-INF/resources/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        for (String address : List.of(
                "/",
                "/sign-in",
                "/invitations/{token}",
                "/library",
                "/library/{folder}",
                "/reports/{id}",
                "/subscriptions",
                "/subscriptions/{id}",
                "/compose",
                "/issues/{id}",
                "/runs/{id}",
                "/house",
                "/house/{part}",
                "/house/{part}/{id}",
                "/mail-room",
                "/mail-room/{address}")) {
            registry.addViewController(address).setViewName("forward:/index.html");
        }
    }
}
