#!/usr/bin/env python3
"""Writes the entity tables that the IFC reader uses, from published type declarations of the IFC schemas.

    python3 bin/ifc-schema.py ifc-schema.d.ts yentra-core/src/main/resources/yentra/core/ifc

The declarations are those of the npm package web-ifc (file ifc-schema.d.ts); what is taken from them are the facts of
the standard: entity names, supertypes, attribute names in order, their kind, whether they may be left out, and the
literals of enumerations. One table a schema, one line an enumeration or entity:

    #IfcSlabTypeEnum FLOOR ROOF ...
    IfcExtrudedAreaSolid IfcSweptAreaSolid ExtrudedDirection:r Depth:n

Attributes are the entity's own, after those of its supertype. Kinds: n number, s string, b boolean or logical,
r reference, l list, x any of several, e enumeration (with its name); a question mark: may be left out.
"""
import re
import sys
from pathlib import Path

NAMES = {"IFC2X3": "ifc2x3", "IFC4": "ifc4", "IFC4X3": "ifc4x3"}


def tables(text):
    for block in re.split(r"^export declare namespace ", text, flags=re.M)[1:]:
        name = block.split(" ", 1)[0]
        if name in NAMES:
            yield NAMES[name], block


def table(block):
    simple, enums, entities, aliases = {}, {}, {}, {}
    for m in re.finditer(r"^    type (\w+) = (.*);$", block, re.M):
        aliases[m[1]] = m[2]
    for m in re.finditer(r"^    (?:abstract )?class (\w+)(?: extends (\w+))? \{\n(.*?)^    \}", block, re.M | re.S):
        name, parent, body = m[1], m[2], m[3]
        literals = re.findall(r"static (\w+): any", body)
        value = re.search(r"^        value: (.*);", body, re.M)
        if literals:
            enums[name] = literals
        elif parent == "NumberHandle":
            simple[name] = "n"
        elif value:
            v = value[1]
            simple[name] = "l" if "Array" in v else "n" if "number" in v else "b" if v in ("boolean", "logical") else "s"
        elif "constructor(" in body:
            arguments = re.search(r"constructor\((.*)\);", body)[1]
            entities[name] = (parent, [tuple(a.split(": ", 1)) for a in arguments.split(", ") if a])
    return simple, enums, entities, aliases


def kind(declared, simple, enums, aliases):
    optional = declared.endswith(" | null")
    t = declared.removesuffix(" | null").strip()
    raw = re.fullmatch(r"\(Handle<(boolean|logical|string)> \| \w+\)", t)
    if raw:
        return ("?" if optional else "") + ("s" if raw[1] == "string" else "b")
    while t in aliases:
        t = aliases[t]
    if t.endswith("[]"):
        k = "l"
    elif t in enums:
        k = "e" + t
    elif t in simple:
        k = simple[t]
    elif re.fullmatch(r"\(?Handle<\w+> \| \w+\)?( \| \(Handle<\w+> \| \w+\))*", t):
        k = "r"
    else:
        k = "x"
    return ("?" if optional else "") + k


def inherited(entity, entities):
    """Attribute names of an entity and all above it; a subtype's declaration leaves out what it derives."""
    while entity in entities:
        parent, fields = entities[entity]
        yield from (n for n, _ in fields)
        entity = parent


def main():
    source, target = Path(sys.argv[1]).read_text(), Path(sys.argv[2])
    for name, block in tables(source):
        simple, enums, entities, aliases = table(block)
        lines = [f"#{e} {' '.join(v)}" for e, v in sorted(enums.items())]
        for e, (parent, fields) in sorted(entities.items()):
            above = set(inherited(parent, entities))
            own = [f"{n}:{kind(t, simple, enums, aliases)}" for n, t in fields if n not in above]
            lines.append(" ".join([e, parent if parent in entities else "-", *own]))
        (target / f"{name}.txt").write_text("\n".join(lines) + "\n")


main()
