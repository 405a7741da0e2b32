package yentra.server;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings of the server.
 *
 * @param demo load the demo project into an empty database
 * @param maxUploadBytes largest file that is taken in
 * @param uploads folder for files while they come in; emptied when the server starts
 * @param handovers folder that the newest handover of each project is put into; null for none
 */
@ConfigurationProperties("yentra")
public record YentraSettings(boolean demo, long maxUploadBytes, Path uploads, Path handovers) {}
