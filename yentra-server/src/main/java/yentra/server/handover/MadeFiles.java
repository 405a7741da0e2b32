package yentra.server.handover;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import yentra.core.envelope.ReadLimits;
import yentra.core.exchange.BalanceLine;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.HandoverMaker;
import yentra.core.junction.JunctionType;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.core.pipeline.HandoverSubject;
import yentra.core.work.LastUsed;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.deliveries.DeliveryStates;

/** Makes files of states, and keeps those that were looked at until they are handed over. */
@Component
class MadeFiles {
  /** Surfaces of what was made and may be asked for again. */
  private static final long MOST_SURFACES = 40_000;

  private final ReadLimits limits;
  private final LastUsed<Key, Made> made =
      new LastUsed<>(
          MOST_SURFACES, m -> Math.max(500, m.maker.part().envelope().surfaces().size()));

  MadeFiles(ReadLimits limits) {
    this.limits = limits;
  }

  /** What the bytes of files depend on, beside their format. */
  private record Key(
      UUID delivery, long version, Object settings, Object psi, Object spaces, Object how) {}

  /** Files of one state and part: what was looked at is what is handed over. */
  private static final class Made {
    private final HandoverMaker maker;
    private final Map<HandoverFormat, Handover> files = new EnumMap<>(HandoverFormat.class);

    /** With what was read back of a format; of null, with nothing. */
    private final Map<HandoverFormat, List<BalanceLine>> balances = new HashMap<>();

    Made(HandoverMaker maker) {
      this.maker = maker;
    }

    synchronized Written of(Wish w) {
      HandoverFormat proven =
          w.formats().stream().filter(HandoverFormat::isReadBack).findFirst().orElse(null);
      List<Handover> out = new ArrayList<>();
      for (HandoverFormat f : w.formats()) {
        if (f != HandoverFormat.XLSX) {
          out.add(file(f, f == proven));
        }
      }
      List<BalanceLine> balance = balances.computeIfAbsent(proven, k -> maker.balance(null));
      if (w.formats().contains(HandoverFormat.XLSX)) {
        // schedules hold what was read back of another file, so they are made for it
        out.add(maker.make(HandoverFormat.XLSX, balance));
      }
      return new Written(maker, out, balance);
    }

    /**
     * @param balanced with the balance sheet of what is read back of it
     */
    private Handover file(HandoverFormat f, boolean balanced) {
      Handover known = files.get(f);
      if (known == null || balanced && !balances.containsKey(f)) {
        Handover h = maker.make(f, null);
        if (balanced) {
          balances.put(f, maker.balance(h));
        }
        known = h.proofDone();
        files.put(f, known);
      }
      return known;
    }
  }

  /** Files of all formats that were asked for, and the balance sheet with what was read back. */
  record Written(HandoverMaker maker, List<Handover> files, List<BalanceLine> balance) {}

  /** Files of a state; those that were made before are taken as they are. */
  Written of(DeliveryRecord d, DeliveryStates.State s, Map<JunctionType, Double> psi, Wish w) {
    Key key =
        new Key(
            d.getId(), s.version(), s.settings(), psi, w.spaces(), List.of(w.edge(), w.units()));
    return made.get(key, k -> new Made(maker(s, psi, w))).of(w);
  }

  HandoverMaker maker(DeliveryStates.State s, Map<JunctionType, Double> psi, Wish w) {
    PsiValues values = new PsiValues(Junctions.dimensions(s.envelope()), psi);
    return new HandoverMaker(
        HandoverSubject.of(s.whole(), s.scope(), s.result(), s.before(), s.context()),
        new HandoverMaker.Options(
            w.spaces(),
            w.edge(),
            w.units(),
            s.settings().heatLossOptions(),
            values,
            s.settings().boundaryOptions().convention()),
        limits);
  }

  /** Files of a state, made anew. */
  Written anew(DeliveryStates.State s, Map<JunctionType, Double> psi, Wish w) {
    return new Made(maker(s, psi, w)).of(w);
  }
}
