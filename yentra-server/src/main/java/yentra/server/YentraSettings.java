package yentra.server;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings of the server.
 *
 * @param demo load the demo project into an empty database
 * @param maxUploadBytes largest file that is taken in
 */
@ConfigurationProperties("yentra")
public record YentraSettings(boolean demo, long maxUploadBytes) {}
