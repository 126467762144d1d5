package mailshelf.server;

import java.util.List;
import org.springframework.boot.builder.SpringApplicationBuilder;

/**
 * What Spring starts.
 *
 * @param main what the build writes down of its parts bears this class's name
 * @param profile which parts belong to this program alone
 * @param parts classes whose packages are searched for parts
 */
public record Program(Class<?> main, String profile, List<Class<?>> parts) {
    public Program {
        parts = List.copyOf(parts);
    }

    /** With no profile but its own, whatever the environment says. */
    public SpringApplicationBuilder application() {
        return new SpringApplicationBuilder(parts.toArray(Class<?>[]::new))
                .main(main)
                .profiles(profile)
                .initializers(context -> context.getEnvironment().setActiveProfiles(profile));
    }
}
