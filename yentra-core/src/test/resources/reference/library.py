#!/usr/bin/env python3
"""Reference values for the shipped library, worked out apart from the product's code.

Run it in this folder: it writes library-materials.csv, library-windows.csv and
library-constructions.csv. Values of ISO 10456:2007, table 3, CIBSE Guide A and ISO 13790 are from
memory; the methods are ISO 6946, EN 673 and ISO 10077-1 (formulas from memory).
"""
import csv
import math

# name in the library, lambda W/(mK), rho kg/m3, c J/(kgK)
MATERIALS = """
Asphalt;0.70;2100;1000
Bitumen felt;0.23;1100;1000
EPDM membrane;0.25;1150;1000
Concrete, medium density 1800;1.15;1800;1000
Concrete, medium density 2000;1.35;2000;1000
Concrete, medium density 2200;1.65;2200;1000
Concrete, high density;2.00;2400;1000
Reinforced concrete, 1 % steel;2.3;2300;1000
Reinforced concrete, 2 % steel;2.5;2400;1000
Plastic floor covering;0.25;1700;1400
Rubber floor covering;0.17;1200;1400
Linoleum;0.17;1200;1400
Carpet;0.06;200;1300
Cellular rubber underlay;0.10;270;1400
Cork tiles;0.065;400;1500
Ceramic tiles;1.3;2300;840
Float glass;1.00;2500;750
Aluminium;160;2800;880
Copper;380;8900;380
Steel;50;7800;450
Stainless steel;17;7900;500
Zinc;110;7200;380
Lead;35;11300;130
PVC, rigid;0.17;1390;900
Acrylic (PMMA);0.18;1180;1500
Polycarbonate;0.20;1200;1200
Polyethylene, high density;0.50;980;1800
Gypsum block 900;0.30;900;1000
Plasterboard;0.25;900;1000
Plasterboard, light;0.21;700;1000
Gypsum plaster;0.57;1300;1000
Gypsum plaster, light;0.40;1000;1000
Lime and sand plaster;0.80;1600;1000
Cement render;1.00;1800;1000
Cement screed;1.00;1800;1000
Clay or silt;1.5;1500;2085
Sand and gravel;2.0;1950;1045
Crystalline rock;3.5;2800;1000
Granite;2.8;2600;1000
Marble;3.5;2800;1000
Slate;2.2;2400;1000
Limestone, hard;1.7;2200;1000
Sandstone;2.3;2600;1000
Clay roof tiles;1.0;2000;800
Concrete roof tiles;1.5;2100;1000
Timber, softwood;0.13;500;1600
Timber, hardwood;0.18;700;1600
Plywood;0.13;500;1600
Cement-bonded particleboard;0.23;1200;1500
Particleboard;0.14;600;1700
Oriented strand board (OSB);0.13;650;1700
Fibreboard (MDF);0.14;600;1700
Expanded polystyrene (EPS);0.035;20;1450
Extruded polystyrene (XPS);0.034;35;1450
Polyurethane foam (PUR, PIR);0.025;32;1400
Mineral wool;0.036;30;1030
Phenolic foam;0.022;35;1400
Cellular glass;0.042;120;1000
Wood fibre board;0.042;160;2000
Wood-wool slab;0.09;400;1470
Expanded cork;0.040;120;1560
Cellulose, blown;0.040;45;1600
Brick, outer leaf;0.77;1700;800
Brick, inner leaf;0.56;1700;1000
Aerated concrete block;0.15;600;1000
Dense concrete block;1.13;2000;1000
""".strip().splitlines()
GAS = {  # rho, mu, lambda, c at 10 C
    "air": (1.232, 1.761e-5, 2.496e-2, 1008.0),
    "argon": (1.699, 2.164e-5, 1.684e-2, 519.0),
    "krypton": (3.560, 2.400e-5, 0.900e-2, 245.0),
}


def glass(panes, gas, share, mm, eps):
    """Ug by EN 673: 4 mm panes, one coated face a gap."""
    n = panes - 1
    dts = [15.0 / n] * n if n else []
    hs = []
    for _ in range(200):
        hs = []
        for dt in dts:
            mix = [share * a + (1 - share) * b for a, b in zip(GAS[gas], GAS["air"])]
            rho, mu, lam, c = mix
            w = mm / 1000
            gr = 9.81 * w**3 * dt * rho**2 / (283 * mu**2)
            nu = max(1.0, 0.035 * (gr * mu * c / lam) ** 0.38)
            hr = 4 * 5.670374419e-8 * 283**3 / (1 / eps + 1 / 0.837 - 1)
            hs.append(nu * lam / w + hr)
        total = sum(1 / h for h in hs)
        dts = [15 * (1 / h) / total for h in hs]
    return 1 / (1 / 25 + 1 / 7.7 + panes * 0.004 + sum(1 / h for h in hs))


# name, panes, gas, share, gap mm, emissivity, Uf, psi, g of the glass, light of the glass
WINDOWS = [
    ("Single clear, metal frame", 1, "air", 1, 0, 0.837, 5.9, 0, 0.85, 0.9),
    ("Single clear, wood frame", 1, "air", 1, 0, 0.837, 1.8, 0, 0.85, 0.9),
    ("Double clear, air 12 mm, wood or PVC frame", 2, "air", 1, 12, 0.837, 1.8, 0.06, 0.75, 0.81),
    ("Double clear, air 16 mm, metal frame with break", 2, "air", 1, 16, 0.837, 3.0, 0.08, 0.75, 0.81),
    ("Double low-e, air 16 mm, wood or PVC frame", 2, "air", 1, 16, 0.05, 1.4, 0.08, 0.63, 0.8),
    ("Double low-e, argon 16 mm, wood or PVC frame", 2, "argon", 0.9, 16, 0.05, 1.4, 0.08, 0.6, 0.8),
    ("Double low-e, argon 16 mm, metal frame with break", 2, "argon", 0.9, 16, 0.05, 2.2, 0.11, 0.6, 0.8),
    ("Double solar control, argon 16 mm, metal frame with break", 2, "argon", 0.9, 16, 0.05, 2.2, 0.11, 0.35, 0.62),
    ("Double low-e, krypton 10 mm, wood or PVC frame", 2, "krypton", 0.9, 10, 0.05, 1.4, 0.08, 0.6, 0.8),
    ("Triple clear, air 12 mm, wood or PVC frame", 3, "air", 1, 12, 0.837, 1.4, 0.06, 0.7, 0.74),
    ("Triple low-e, argon 12 mm, wood or PVC frame", 3, "argon", 0.9, 12, 0.05, 1.3, 0.06, 0.5, 0.72),
    ("Triple low-e, argon 16 mm, insulated frame", 3, "argon", 0.9, 16, 0.05, 0.95, 0.06, 0.5, 0.72),
    ("Triple low-e, krypton 10 mm, insulated frame", 3, "krypton", 0.9, 10, 0.05, 0.95, 0.06, 0.5, 0.72),
    ("Triple solar control, argon 16 mm, metal frame with break", 3, "argon", 0.9, 16, 0.05, 1.6, 0.08, 0.28, 0.55),
]


def windows():
    width, height, frame = 1.23, 1.48, 0.11
    a = width * height
    ag = (width - 2 * frame) * (height - 2 * frame)
    edge = 2 * (width + height - 4 * frame)
    for name, panes, gas, share, mm, eps, uf, psi, g, light in WINDOWS:
        ug = glass(panes, gas, share, mm, eps)
        u = (ag * ug + (a - ag) * uf + edge * psi) / a
        yield [name, f"{ug:.6f}", f"{u:.6f}", f"{g * ag / a:.6f}", f"{light * ag / a:.6f}"]


FILMS = {"Exterior wall": 0.17, "Roof": 0.14, "Exposed floor": 0.21, "Ground floor": 0.17,
         "Wall in the ground": 0.13, "Interior wall": 0.26, "Interior floor": 0.26, "Door": 0.17}


def constructions():
    lam = {m.split(";")[0]: float(m.split(";")[1]) for m in MATERIALS}
    rows = list(csv.DictReader(open("../../../main/resources/yentra/core/library/constructions.csv", encoding="utf-8")))
    made = {}
    for r in rows:
        made.setdefault((r["Construction"], r["For"]), []).append(r)
    for (name, use), layers in made.items():
        groups, beside = [], []
        for r in layers:
            res = 0.18 if r["Layer"].startswith("Air layer") else float(r["Thickness (m)"]) / lam[r["Layer"]]
            share = float(r["Share"]) if r["Share"] else 1.0
            beside.append((share, res))
            if sum(s for s, _ in beside) > 1 - 1e-9:
                groups.append(beside)
                beside = []
        lower = FILMS[use] + sum(1 / sum(s / x for s, x in g) for g in groups)
        paths = [(1.0, FILMS[use])]
        for g in groups:
            paths = [(p * s, q + x) for p, q in paths for s, x in g]
        upper = 1 / sum(p / q for p, q in paths)
        yield [name, f"{2 / (upper + lower):.9f}"]


if __name__ == "__main__":
    for file, rows in (("materials", (m.split(";") for m in MATERIALS)), ("windows", windows()),
                       ("constructions", constructions())):
        with open(f"library-{file}.csv", "w", encoding="utf-8", newline="") as out:
            csv.writer(out, delimiter=";", lineterminator="\n").writerows(rows)
