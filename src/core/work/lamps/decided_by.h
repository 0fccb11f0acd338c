// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::lamps {

inline constexpr DecidedBy decidedBy[] = {
    {"lamp.across",
     "Of lamps straight across each other: over where one is dark beside another, close where one "
     "of the lowest forward volts in its batch takes more than a quarter more than the others."},
    {"lamp.battery",
     "Over where its own resistance takes 30 % of the volts; close where it lasts "
     "less than two hours."},
    {"lamp.bleed", "Close where what lies across the capacitor gets more than 0.125 W."},
    {"lamp.blink",
     "Over where its chip begins anew at every polarity change (10 µs), close where "
     "it does at every speck of dirt (10 ms). On AC over where it begins anew between two "
     "crests (10 ms)."},
    {"lamp.bore",
     "Over where the hole is narrower than the LED painted and with its leads, close where it is "
     "shorter than the LED."},
    {"lamp.bulb",
     "At the highest volts over above 1.3 times its rated ones; over below 1 % of "
     "its light, close below 15 %; close above 1.05 times its rated volts; ask while"
     " its resistor is not chosen."},
    {"lamp.capacitor-spike",
     "Close from the size on that sparks, without a resistor to charge through."},
    {"lamp.capacitor-volts",
     "Highest peak against what is printed: over above, close within the margin of "
     "its kind. Over without a bridge on a supply that turns round, unless it is "
     "ceramic."},
    {"lamp.current",
     "Worst corner of supply, batch and resistor against the limit: over above it, "
     "close above 85 %. Over above 2 W in its resistor, below 0.1 mA or a twentieth "
     "of the wish; close below half of it, above four times it, or where the lowest "
     "corner glimmers only (a tenth). Ask while its resistor is not chosen."},
    {"lamp.data", "Ask where what is known of a lamp is that of no lamp."},
    {"lamp.diode",
     "Close where a lamp on digital track has a diode of its own although a bridge is there."},
    {"lamp.dimmed",
     "Never wrong: what the decoder's setting leaves, and what a reset brings back. All else is "
     "judged "
     "at full light."},
    {"lamp.driver",
     "Over where a lamp passes its limit or the driver gives off more than 0.5 W; "
     "over where it lacks volts for a glimmer, close where it holds less than 80 % "
     "of its current, dims at the lowest volts, or lamps differ by more than a "
     "quarter."},
    {"lamp.flash", "Close from 3 to 30 flashes a second."},
    {"lamp.flicker",
     "Close where lamps on the rails are not carried over a speck of dirt (10 ms); on AC where "
     "they light in one half of it only, or a capacitor does not carry them to the next crest."},
    {"lamp.gap",
     "Close where as much comes straight out of the gap that was told as a bare LED gives at "
     "0.1 mA."},
    {"lamp.inrush", "Close where cold bulbs take more than three times what the output bears."},
    {"lamp.joints",
     "By the lamp that is least far, of those whose joints are noted: close where it is tacked or "
     "bare, ask while it was not lit from its own output."},
    {"lamp.no-output",
     "Over where a lamp's output is not on the decoder; ask while there is none."},
    {"lamp.one-failed",
     "Behind a shared resistance: over where the others pass their limit when one "
     "fails, close where they more than double."},
    {"lamp.leak",
     "Close where as much comes through the wall round it as a bare LED gives at 0.1 mA."},
    {"lamp.lots",
     "Close where lamps of one colour came from different lots and not one of each was lit."},
    {"lamp.output",
     "Ask for the output's own resistance while 0, 470 Ω and 1.5 kΩ come to "
     "different verdicts; as grave as the gravest of them."},
    {"lamp.output-current",
     "All of its lamps against the output's limit: over above, close above 85 %."},
    {"lamp.output-kind",
     "Over where lamps hang on an output of a kind that cannot light them so; ask "
     "while its kind is not known."},
    {"lamp.package",
     "The heat of a resistor against what its package bears: over above, close above"
     " half."},
    {"lamp.pair", "Close where two colours across each other mix on digital track."},
    {"lamp.path",
     "Over where less than 5 % of its colour passes a filter or the eye gets less "
     "than an LED at 5 µA gives; close where the gap costs half, or it is seen in a "
     "dark room only."},
    {"lamp.return",
     "Over where a lamp of a decoder output was found to return through frame or rail, or a bulb "
     "hangs on them; close where an LED is fed from them."},
    {"lamp.read",
     "What was read in its row: over above its limit, close a tenth beyond the corners that "
     "were worked out; ask where it is less than a bare output gives and nobody has looked at "
     "its board."},
    {"lamp.reverse", "Over where an LED may get more than 5 V backwards."},
    {"lamp.seen",
     "Over where a lamp that should be lit is not seen, close where it is seen in a dark room only "
     "and should be in a lit one."},
    {"lamp.shared-heat", "Over above 2 W in the shared resistor."},
    {"lamp.switch",
     "Its current against what is printed on the switch: over above, close above 80 %."},
    {"lamp.tested",
     "What the 9 V tester shows against what it should: over where it stays dark, "
     "close where it looks otherwise."},
    {"lamp.total",
     "All outputs on against the decoder's function total: over above, close within "
     "the close margin."},
    {"lamp.uneven",
     "Over where one stays dark beside another that carries twice as much; close "
     "where rows of a kind differ by more than a quarter, or more than one build in "
     "ten would."},
    {"lamp.whites", "Close where whites of different tints stand in one group."},
    {"lamp.beside-decoder",
     "Close where lamps on a bridge of their own hang on the rails beside a decoder."},
    {"supply.current",
     "Over above what a wall supply gives, close above 85 % of it; ask where that is not told and "
     "the lamps draw more than 50 mA."},
    {"supply.pack", "Ask while nobody said where a battery is joined to the decoder of its lamps."},
    {"supply.polarity",
     "Ask where it was said that nobody knows which lead of a DC supply is plus."},
};

}  // namespace glimmet::core::lamps
