package yentra.server.web;

import java.io.IOException;
import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** Serves the built interface; paths of its own routes give the start page. */
@Configuration(proxyBeanMethods = false)
public class PageConfig implements WebMvcConfigurer {
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    registry
        .addResourceHandler("/**")
        .addResourceLocations("classpath:/static/")
        .setCacheControl(CacheControl.noCache())
        // reproducible builds fix the files' dates, so the start page would count as unchanged for
        // ever
        .setUseLastModified(false)
        .resourceChain(true)
        .addResolver(
            new PathResourceResolver() {
              @Override
              protected Resource getResource(String path, Resource location) throws IOException {
                Resource found = super.getResource(path, location);
                if (found != null) {
                  return found;
                }
                String last = path.substring(path.lastIndexOf('/') + 1);
                boolean route =
                    !path.startsWith("api/") && !path.startsWith("v3/") && !last.contains(".");
                return route ? super.getResource("index.html", location) : null;
              }
            });
  }
}
