package mailshelf.demo;

import org.springframework.context.annotation.ComponentScan;
import org.springframework.context.annotation.Configuration;

/** Finds the parts of this package. */
@Configuration(proxyBeanMethods = false)
@ComponentScan
class DemoParts {}
