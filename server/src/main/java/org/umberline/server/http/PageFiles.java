package org.umberline.server.http;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;
import org.springframework.web.servlet.resource.PathResourceResolver;

/**
 * The page: hashed files, compressed when it was built, are kept by the browser for a year, the
 * page itself is asked for anew.
 */
@Configuration
class PageFiles implements WebMvcConfigurer {
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable())
        .resourceChain(true)
        .addResolver(new EncodedResourceResolver());
    registry
        .addResourceHandler("/**")
        .addResourceLocations("classpath:/static/")
        .setCacheControl(CacheControl.noCache())
        .resourceChain(false)
        .addResolver(new PageOrFile());
  }

  /** A path without a dot is a place of the page, which finds it by itself. */
  private static final class PageOrFile extends PathResourceResolver {
    @Override
    protected Resource getResource(String path, Resource location) throws java.io.IOException {
      if (path.startsWith("api/") || path.equals("api")) {
        return null;
      }
      boolean place = path.isEmpty() || !path.contains(".");
      return super.getResource(place ? "index.html" : path, location);
    }
  }
}
