package yentra.server.deliveries;

import static yentra.server.db.Tables.HANDOVER;
import static yentra.server.db.Tables.HANDOVER_FILE;

import java.io.ByteArrayInputStream;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Repository;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.gbxml.GbxmlReader;

/** What was handed over last, as others read it. */
@Repository
public class LastHandover {
  private static final Logger LOG = LoggerFactory.getLogger(LastHandover.class);

  private final DSLContext db;
  private final ReadLimits limits;

  LastHandover(DSLContext db, ReadLimits limits) {
    this.db = db;
    this.limits = limits;
  }

  /** The newest gbXML file of a delivery that was handed over, read. */
  public Optional<Envelope> last(UUID delivery) {
    return db.select(HANDOVER.ID, HANDOVER_FILE.BYTES)
        .from(HANDOVER)
        .join(HANDOVER_FILE)
        .on(HANDOVER_FILE.HANDOVER_ID.eq(HANDOVER.ID))
        .where(HANDOVER.DELIVERY_ID.eq(delivery))
        .and(HANDOVER_FILE.FORMAT.startsWith("gbxml"))
        .orderBy(HANDOVER.MADE_AT.desc(), HANDOVER_FILE.PLACE)
        .limit(1)
        .fetchOptional()
        .flatMap(
            r -> {
              try {
                return Optional.of(GbxmlReader.read(new ByteArrayInputStream(r.value2()), limits));
              } catch (UnreadableException e) {
                // it was read back when it was written; what another version wrote is left out
                LOG.warn("The handover {} cannot be read: {}", r.value1(), e.getMessage());
                return Optional.empty();
              }
            });
  }
}
