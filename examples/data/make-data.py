#!/usr/bin/env python3
"""Makes the tables of Harrow Sound Ferries and damages them with conversions that really run: the
number handling of Python, Perl, awk and SQLite. Writes beside each table a truth file that holds the
original of every cell that was changed. Everything is made up; telephone numbers come from ranges that
Ofcom keeps for drama, social security areas are never issued, card numbers start with a test prefix."""

import csv
import os
import random
import subprocess

HERE = os.path.dirname(os.path.abspath(__file__))
rng = random.Random(20261124)


# Conversions. Each takes a list of texts and returns what the program printed for them.

def run(command, values):
    out = subprocess.run(command, input="\n".join(values) + "\n", capture_output=True, text=True, check=True)
    return out.stdout.split("\n")[: len(values)]


def perl_number(values):
    return run(["perl", "-ne", 'chomp; print $_ eq "" ? "" : 0 + $_, "\\n"'], values)


def awk_general(digits):
    return lambda values: run(["awk", '{ if ($0 == "") print ""; else printf "%%.%dg\\n", $0 }' % digits], values)


def sqlite_cast(kind):
    def convert(values):
        script = "".join(
            "SELECT '';\n" if v == "" else "SELECT CAST('%s' AS %s);\n" % (v.replace("'", "''"), kind) for v in values
        )
        out = subprocess.run(["sqlite3", ":memory:"], input=script, capture_output=True, text=True, check=True)
        return out.stdout.split("\n")[: len(values)]

    return convert


def each(convert):
    return lambda values: [v if v == "" else convert(v) for v in values]


python_int = each(lambda v: str(int(v)))
python_float = each(lambda v: str(float(v)))
python_whole = each(lambda v: "%.0f" % float(v))
python_fifteen = each(lambda v: "%d" % float("%.15g" % float(v)))
python_grouped = each(lambda v: "{:,}".format(int(v)))
python_display = each(lambda v: "%.5E" % float(v))
apostrophe = each(lambda v: "'" + v)
formula = each(lambda v: '="' + v + '"')
no_break = each(lambda v: v + "\u00a0")
full_width = each(lambda v: "".join(chr(0xFF10 + int(c)) for c in v))
international = each(lambda v: "+44 " + v[1:5] + " " + v[5:])
dotted = each(lambda v: v[:5] + "." + v[5:])
dashed = each(lambda v: v[:3] + "-" + v[3:5] + "-" + v[5:])
fours = each(lambda v: " ".join(v[i : i + 4] for i in range(0, len(v), 4)))


# Values.

FIRST = "Ada Bram Cleo Dov Esi Finn Gita Hugo Ines Jory Kaya Lars Mina Nils Orla Pavo Quin Rosa Sven Tess".split()
LAST = "Abara Brandt Castel Dunmore Eklund Farrow Gannet Holm Ivers Joubert Kestrel Lund Marsh Novak Okoro Petrel".split()
PORTS = ["Harrow Quay", "Sound Point", "Gullstone", "Eastmole", "Saltness"]


def luhn_digit(body):
    total = 0
    for i, c in enumerate(reversed(body)):
        d = int(c) * (2 if i % 2 == 0 else 1)
        total += d - 9 if d > 9 else d
    return str(-total % 10)


def card():
    body = "400000" + "".join(rng.choice("0123456789") for _ in range(9))
    return body + luhn_digit(body)


def phone():
    return rng.choice(["07700900", "02079460", "01174960"]) + "%03d" % rng.randrange(1000)


def social():
    area = rng.choice(["000"] + ["9%02d" % n for n in range(100)])
    return area + "%02d" % rng.randrange(1, 100) + "%04d" % rng.randrange(1, 10000)


def digits(n, first="0123456789"):
    return rng.choice(first) + "".join(rng.choice("0123456789") for _ in range(n - 1))


def container():
    letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ"
    value, n = {}, 10
    for c in letters:
        if n % 11 == 0:
            n += 1
        value[c] = n
        n += 1
    code = "HSF" + "U" + "%06d" % rng.randrange(1000000)
    total = sum((value[c] if c in value else int(c)) * 2**i for i, c in enumerate(code))
    return code + str(total % 11 % 10)


class Table:
    def __init__(self, name, header, rows):
        self.name, self.header, self.rows = name, header, rows
        self.original = [list(r) for r in rows]
        self.how = {}

    def damage(self, column, records, convert, how):
        """`records` are 1-based, as in every report."""
        at = self.header.index(column)
        records = [r for r in records if self.rows[r - 1][at] != ""]
        seen = convert([self.rows[r - 1][at] for r in records])
        for r, text in zip(records, seen):
            if text != self.rows[r - 1][at]:
                self.rows[r - 1][at] = text
                self.how.setdefault((r, column), []).append(how)

    def write(self):
        with open(os.path.join(HERE, self.name + ".csv"), "w", newline="", encoding="utf-8") as f:
            out = csv.writer(f)
            out.writerow(self.header)
            out.writerows(self.rows)
        with open(os.path.join(HERE, self.name + ".truth.csv"), "w", newline="", encoding="utf-8") as f:
            out = csv.writer(f, lineterminator="\n")
            out.writerow(["record", "column", "original", "seen", "how"])
            for (r, column), how in sorted(self.how.items(), key=lambda item: (item[0][0], self.header.index(item[0][1]))):
                at = self.header.index(column)
                out.writerow([r, column, self.original[r - 1][at], self.rows[r - 1][at], " then ".join(how)])


def scattered(table, count, taken):
    free = [r for r in range(1, len(table.rows) + 1) if r not in taken]
    picked = sorted(rng.sample(free, count))
    taken.update(picked)
    return picked


def crew():
    numbers = rng.sample(range(100000), 1200)
    rows = [
        ["%05d" % n, rng.choice(FIRST) + " " + rng.choice(LAST), rng.choice(PORTS), phone(), social(), "20%02d-%02d-%02d" % (rng.randrange(5, 26), rng.randrange(1, 13), rng.randrange(1, 29))]
        for n in numbers
    ]
    for r in rng.sample(rows, 40):
        r[3] = ""
    t = Table("crew", ["Crew No", "Name", "Home Port", "Mobile", "Tax No", "Start"], rows)
    for column in ("Crew No", "Mobile", "Tax No"):
        t.damage(column, range(201, 341), python_int, "python int")
    t.damage("Crew No", range(500, 561), python_float, "python float")
    t.damage("Mobile", range(620, 671), perl_number, "perl number")
    t.damage("Mobile", range(700, 761), awk_general(6), "awk %.6g")
    t.damage("Tax No", range(800, 851), sqlite_cast("REAL"), "sqlite real")
    t.damage("Mobile", range(900, 931), python_grouped, "python grouping")
    taken = {r for block in [(201, 341), (500, 561), (620, 671), (700, 761), (800, 851), (900, 931)] for r in range(*block)}
    t.damage("Crew No", scattered(t, 12, taken), apostrophe, "apostrophe")
    t.damage("Crew No", scattered(t, 6, taken), full_width, "full-width input")
    t.damage("Mobile", scattered(t, 20, taken), international, "international form")
    t.damage("Mobile", scattered(t, 8, taken), no_break, "no-break space")
    t.damage("Tax No", scattered(t, 25, taken), dashed, "display form")
    t.damage("Mobile", scattered(t, 9, taken), dotted, "dotted form")
    return t


def passes():
    rows = [
        ["HS%04d" % i, digits(19, "12345678"), card(), rng.choice(["Foot", "Cycle", "Car"]), "20%02d-%02d-%02d" % (rng.choice([26, 27]), rng.randrange(1, 13), rng.randrange(1, 29))]
        for i in range(1, 1501)
    ]
    t = Table("passes", ["Pass", "Serial", "Card", "Kind", "Valid Until"], rows)
    t.damage("Card", range(301, 421), python_fifteen, "15 digits")
    t.damage("Card", range(600, 661), perl_number, "perl number")
    t.damage("Card", range(760, 801), python_display, "python %.5E")
    t.damage("Serial", range(900, 1201), python_whole, "python %.0f")
    t.damage("Serial", range(1300, 1341), python_float, "python float")
    taken = set(range(301, 421)) | set(range(600, 661)) | set(range(760, 801)) | set(range(900, 1201)) | set(range(1300, 1341))
    t.damage("Card", scattered(t, 30, taken), fours, "display form")
    t.damage("Card", scattered(t, 10, taken), formula, "formula text")
    return t


def freight():
    letters = "ABCDEF"
    rows = [
        ["B%05d" % i, container(), digits(18), rng.choice("123456789") + rng.choice(letters) + rng.choice("0123456789"), "%d.%02d" % (rng.randrange(40, 900), rng.randrange(100))]
        for i in range(1, 1001)
    ]
    t = Table("freight", ["Booking", "Container", "Consignment", "Berth", "Fare"], rows)
    at = t.header.index("Berth")
    block = [r for r in range(250, 451) if t.rows[r - 1][at][1] == "E"]
    t.damage("Berth", block, sqlite_cast("NUMERIC"), "sqlite numeric")
    block = [r for r in range(700, 801) if t.rows[r - 1][at][1] == "E"]
    t.damage("Berth", block, python_float, "python float")
    t.damage("Consignment", range(250, 301), python_float, "python float")
    t.damage("Consignment", range(301, 451), python_whole, "python %.0f")
    t.damage("Consignment", range(600, 641), awk_general(15), "awk %.15g")
    taken = set(range(250, 451)) | set(range(600, 641))
    t.damage("Container", scattered(t, 15, taken), each(lambda v: v[:4] + " " + v[4:10] + " " + v[10:]), "display form")
    return t


if __name__ == "__main__":
    for make in (crew, passes, freight):
        make().write()
