#include "core/work/measure/judge_board.h"

namespace glimmet::core::measure {
namespace {

/// What was found, or what was done about it, as equal answers.
struct Answer {
    Text what, effect;
    State state{};
    const char* jot;
};
void say(Judging& judging, const char* id, State state, Gravity gravity, Text sentence, Text action,
         std::initializer_list<Answer> answers = {}) {
    judging.say(id, {}, state, gravity, [&](Finding& finding) {
        finding.sentence = std::move(sentence);
        finding.action = std::move(action);
        for (const Answer& each : answers) {
            finding.options.push_back(
                {each.what, each.effect, each.state, each.jot, false, Option::Kind::Answer});
        }
    });
}

/// True where nothing stands in the way of what its lamps share.
bool judgeCommon(const FactoryBoard& board, Judging& judging) {
    if (!board.common) {
        say(judging, "board.common", State::Ask, Gravity::PartDestroyed,
            text(
                "Where does the wire go that its lamps share? Decoder and track off: meter from it "
                "to each rail, then to the socket's blue contact. A reading one way only is a "
                "rectifier of the factory's."),
            text("meter the lamps' common"),
            {{text("To plus, the blue contact"), text("as a decoder wants it"), State::Fine,
              "board common plus"},
             {text("To minus"), text("a decoder cannot switch that"), State::Over,
              "board common minus"},
             {text("To regulated volts on the board"), text("its resistors fit those volts"),
              State::Close, "board common regulated"},
             {text("To a rail, or both ways through diodes"),
              text("with a decoder that is a short"), State::Over, "board common track"}});
        return false;
    }
    switch (*board.common) {
        case LampCommon::Plus:
            return true;
        case LampCommon::Track:
            if (board.open) return true;
            say(judging, "board.common", State::Over, Gravity::PartDestroyed,
                text("The lamps' common is tied to the track: a decoder shorts through it. Cut it "
                     "free, lead it to the blue wire, and prove every lamp lead open to both "
                     "rails."),
                text("cut the lamps' common free of the track"),
                {{text("It is cut, and proved open"), text("go on"), State::Fine, "board open"},
                 {text("The board goes out"), text("lamps are wired anew"), State::Fine,
                  "board replaced"}});
            return false;
        case LampCommon::Minus:
            say(judging, "board.common", State::Over, Gravity::DoesNotWork,
                text("Its lamps share a minus, and a decoder's outputs switch the minus side: none "
                     "of them would go out. Cut the common and lead it to the blue wire; turn LEDs "
                     "round."),
                text("change the lamps' common to plus"),
                {{text("It leads to blue now"), text("go on"), State::Fine, "board common plus"},
                 {text("The board goes out"), text("lamps are wired anew"), State::Fine,
                  "board replaced"}});
            return false;
        case LampCommon::Regulated:
            break;
    }
    say(judging, "board.common", State::Close, Gravity::WorksBadly,
        text(
            "Its lamps share regulated volts: their resistors fit those, not the decoder's blue "
            "wire. Take the resistors as unknown and reckon anew, or keep the regulator and switch "
            "the minus side."),
        text("reckon the lamps' resistors anew"));
    return true;
}

}  // namespace

void judgeBoard(const Job& job, Judging& judging) {
    const FactoryBoard& board = job.board;
    if (!board.fate) {
        // Lamps that light without a decoder hang on something the factory put there.
        // On plain DC without a decoder they work as they were made: they are left alone.
        if (!job.proof.lamps || (!isDigital(job.feed) && !job.decoder)) return;
        // So are those that a bridging plug or a decoder lights; which plug it is, is asked first,
        // with the test on plain DC.
        const bool asked = !job.board.plug && job.wanted.socket != "none" &&
                           !motorsOf(job).empty() && job.intake.arrival != Arrival::Kit;
        if (asked || (job.board.plug && *job.board.plug != SocketPlug::None)) return;
        say(judging, "board.fate", State::Ask, Gravity::PartDestroyed,
            text("Lamps lit on plain DC: the factory's board or wiring feeds them. What becomes of "
                 "it?"),
            text("decide what becomes of the factory's board"),
            {{text("The decoder plugs into it"), text("then its common is asked for"), State::Ask,
              "board plugs in"},
             {text("It stays, and is wired to"), text("then its common is asked for"), State::Ask,
              "board kept"},
             {text("It goes out"), text("lamps are wired anew"), State::Fine, "board replaced"},
             {text("There is none: only wires"), text("they hang on the track until they are cut"),
              State::Fine, "board none"}});
        return;
    }
    if (*board.fate == BoardFate::None || *board.fate == BoardFate::Replaced) return;
    if (!judgeCommon(board, judging) || job.groups.empty()) return;
    if (!board.resistors) {
        say(judging, "board.resistors", State::Ask, Gravity::WorksBadly,
            text("Does the board carry resistors for its lamps? Meter from an output's contact to "
                 "its lamp's lead: near 0 Ω is none, 470 Ω to 1.5 kΩ is one."),
            text("meter from a contact to its lamp's lead"),
            {{text("It carries resistors"), text("each is entered: output front 680R"), State::Fine,
              "board resistors"},
             {text("It carries none"), text("each lamp gets its own"), State::Fine,
              "board no resistors"}});
    }
}

}  // namespace glimmet::core::measure
