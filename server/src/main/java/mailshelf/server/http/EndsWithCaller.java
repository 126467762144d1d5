package mailshelf.server.http;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.function.BooleanSupplier;
import mailshelf.core.work.StillWanted;
import org.springframework.http.HttpMethod;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;

/** Lets what a request only reads end when its caller has gone; what it changes is done to the end. */
final class EndsWithCaller implements HandlerInterceptor {
    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (readsOnly(request, handler)
                && request.getAttribute(CallerThere.ATTRIBUTE) instanceof BooleanSupplier isThere) {
            StillWanted.by(isThere);
        }
        return true;
    }

    private static boolean readsOnly(HttpServletRequest request, Object handler) {
        return HttpMethod.GET.matches(request.getMethod())
                || (handler instanceof HandlerMethod method && method.hasMethodAnnotation(ReadsOnly.class));
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception failure) {
        StillWanted.byAnybody();
    }
}
