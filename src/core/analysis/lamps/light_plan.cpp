#include "core/analysis/lamps/light_plan.h"

#include "core/analysis/lamp_sites.h"
#include "core/quantity/format.h"
#include "core/text.h"

#include <algorithm>
#include <array>
#include <optional>
#include <sstream>

namespace glimmet::core::lamps {
namespace {

constexpr double asItIs = 0.005;  // A; what a lamp is wished unless more is said

using Words = std::vector<std::string>;

Words wordsIn(std::string_view text) {
    std::istringstream in{std::string(text)};
    Words all;
    for (std::string word; in >> word;) {
        while (!word.empty() && (word.back() == '.' || word.back() == ';')) word.pop_back();
        if (!word.empty()) all.push_back(lowered(word));
    }
    return all;
}
std::string joined(const Words& words) {
    std::string all;
    for (const std::string& word : words) all += (all.empty() ? "" : " ") + word;
    return all;
}

bool oneOf(const std::string& word, std::initializer_list<std::string_view> words) {
    return std::find(words.begin(), words.end(), word) != words.end();
}

std::optional<int> countOf(const std::string& word) {
    constexpr std::array<std::string_view, 12> names{"one",  "two", "three",  "four",
                                                     "five", "six", "seven",  "eight",
                                                     "nine", "ten", "eleven", "twelve"};
    for (std::size_t i = 0; i < names.size(); ++i) {
        if (word == names[i]) return static_cast<int>(i) + 1;
    }
    if (word.size() > 2 || word.find_first_not_of("0123456789") != std::string::npos) return {};
    return std::stoi(word);
}

/// How bright, of what a lamp is as it is; takes its words out. Phrases before the words in them.
std::optional<double> takenBrightness(Words& words) {
    struct Phrase {
        Words words;
        double share;
    };
    static const std::vector<Phrase> phrases{{{"half", "as", "bright"}, 0.5},
                                             {{"a", "third", "as", "bright"}, 1.0 / 3},
                                             {{"third", "as", "bright"}, 1.0 / 3},
                                             {{"a", "quarter", "as", "bright"}, 0.25},
                                             {{"quarter", "as", "bright"}, 0.25},
                                             {{"a", "tenth", "as", "bright"}, 0.1},
                                             {{"tenth", "as", "bright"}, 0.1},
                                             {{"twice", "as", "bright"}, 2},
                                             {{"hardly", "seen"}, 0.1},
                                             {{"barely", "seen"}, 0.1},
                                             {{"hardly", "visible"}, 0.1},
                                             {{"as", "bright"}, 1},
                                             {{"very", "dim"}, 0.1},
                                             {{"dim"}, 0.5},
                                             {{"faint"}, 0.1},
                                             {{"half"}, 0.5},
                                             {{"bright"}, 2}};
    for (const Phrase& phrase : phrases) {
        const auto at =
            std::search(words.begin(), words.end(), phrase.words.begin(), phrase.words.end());
        if (at == words.end()) continue;
        words.erase(at, at + static_cast<std::ptrdiff_t>(phrase.words.size()));
        return phrase.share;
    }
    return {};
}

std::optional<std::string> takenColour(Words& words) {
    for (const char* tint : {"warm", "cool"}) {
        const auto at = std::find(words.begin(), words.end(), tint);
        if (at == words.end()) continue;
        const auto behind = words.erase(at);
        if (behind != words.end() && *behind == "white") words.erase(behind);
        return std::string(tint) + " white";
    }
    for (const auto& [family, word] : wordsOf(LedFamily())) {
        const std::string called(name(family));
        const auto at = std::find(words.begin(), words.end(), called);
        if (at == words.end()) continue;
        words.erase(at);
        return called;
    }
    return {};
}

/// "lamp", "lamps", "light", "lights", and at the end of a word: "headlamp". Says whether any was
/// there, and takes it off.
bool lampWord(Words& words) {
    bool any = false;
    for (auto word = words.begin(); word != words.end();) {
        if (oneOf(*word, {"lamp", "lamps", "light", "lights", "led", "leds"})) {
            word = words.erase(word);
            any = true;
            continue;
        }
        for (const std::string_view ending : {"lamps", "lamp", "lights", "light"}) {
            if (word->size() > ending.size() && word->ends_with(ending)) {
                word->resize(word->size() - ending.size());
                any = true;
                break;
            }
        }
        ++word;
    }
    return any;
}

/// The place of the model that words name: whole, or what it begins with, or by what it is for.
std::optional<NamedSite> placeNamed(const std::vector<NamedSite>& sites, const std::string& words) {
    const auto found = [&](auto like) -> std::optional<NamedSite> {
        const auto at = std::find_if(sites.begin(), sites.end(), like);
        return at == sites.end() ? std::nullopt : std::optional(*at);
    };
    for (const std::string& wanted : {words + " lamp", words, words + " glow"}) {
        if (auto site =
                found([&](const NamedSite& each) { return lowered(each.called) == wanted; }))
            return site;
    }
    if (oneOf(words, {"head", "front"})) {
        return found([](const NamedSite& each) {
            return each.site->facing == Facing::Front &&
                   each.called.find("tail") == std::string::npos;
        });
    }
    if (oneOf(words, {"tail", "rear", "end"})) {
        for (const char* like : {"rear tail", "tail", "rear"}) {
            if (auto site = found([&](const NamedSite& each) {
                    return each.site->facing == Facing::Rear &&
                           each.called.find(like) != std::string::npos;
                }))
                return site;
        }
    }
    return found(
        [&](const NamedSite& each) { return lowered(each.called).starts_with(words + " "); });
}

/// What lamps of models are called; other words are no name of one, unless they stand behind
/// "called".
bool isLampName(const std::string& word) {
    static constexpr auto known = std::to_array<std::string_view>(
        {"head",    "tail",   "rear",      "front",   "end",        "ditch",       "marker",
         "markers", "number", "board",     "boards",  "class",      "step",        "steps",
         "ground",  "cab",    "engine",    "room",    "firebox",    "fire",        "glow",
         "beacon",  "table",  "tables",    "saloon",  "interior",   "corridor",    "vestibule",
         "kitchen", "door",   "roof",      "gauge",   "sign",       "destination", "window",
         "porch",   "street", "platform",  "quay",    "yard",       "post",        "warning",
         "working", "work",   "reversing", "brake",   "fog",        "high",        "low",
         "upper",   "lower",  "side",      "left",    "right",      "centre",      "middle",
         "top",     "bogie",  "truck",     "walkway", "inspection", "flood",       "spot",
         "search",  "signal", "indicator", "buffer",  "oil",        "gas",         "lantern",
         "smoke",   "steam",  "reading",   "ceiling", "seat",       "driver",      "guard",
         "desk",    "stair",  "wall",      "hall",    "shop",       "office",      "crane",
         "hook",    "plough", "footplate", "running", "cabin",      "coach",       "number-board"});
    return std::find(known.begin(), known.end(), word) != known.end();
}

/// What is said between two commas.
struct Piece {
    PlannedLight light;
    bool placed = false;  ///< it says where, or gives a name
};
Result<Piece> pieceOf(const Words& said, const std::vector<NamedSite>& sites) {
    Words words = said;
    Piece piece;
    const auto brightness = takenBrightness(words);
    piece.light.wished = brightness.has_value();
    piece.light.wish = Amperes{asItIs * brightness.value_or(1)};
    if (const auto tint = takenColour(words)) piece.light.colour = *tint;
    bool counted = false;
    for (auto word = words.begin(); word != words.end();) {
        if (const auto count = counted ? std::nullopt : countOf(*word)) {
            if (*count < 1 || *count > 12) {
                return failure(
                    ErrorCode::OutOfRange, "jot",
                    text("%1 lamps on one output are more than a model has: say 1 to 12.", *word));
            }
            piece.light.count = *count;
            counted = true;
            word = words.erase(word);
        } else if (oneOf(*word,
                         {"a", "an", "the", "and", "with", "in", "of", "each", "at", "on"})) {
            word = words.erase(word);
        } else {
            ++word;
        }
    }
    const bool lamps = lampWord(words);
    const std::string rest = joined(words);
    if (rest.empty()) return piece;
    // What is left is where it is, or its name: a second colour, a second brightness or a number
    // that is none is neither.
    for (const std::string& word : words) {
        Words alone{word};
        const bool again = takenBrightness(alone) || takenColour(alone) || countOf(word) ||
                           word.find_first_of("0123456789") != std::string::npos ||
                           oneOf(word, {"called", "for", "seen"});
        if (again) {
            return failure(
                ErrorCode::NotUnderstood, "jot",
                text("What “%1” means beside “%2” is not understood.", word, joined(said)));
        }
    }
    if (const auto site = placeNamed(sites, rest)) {
        piece.placed = true;
        piece.light.place = site->called;
        if (piece.light.colour.empty() && rest == "tail") piece.light.colour = "red";
        piece.light.name = site->called;
        return piece;
    }
    if (!lamps) {
        return failure(
            ErrorCode::NotUnderstood, "jot",
            text("“%1” is no place of this model, no colour and no brightness. A lamp of "
                 "another name is called so: %1 lamp.",
                 rest));
    }
    for (const std::string& word : words) {
        if (isLampName(word)) continue;
        return failure(ErrorCode::NotUnderstood, "jot",
                       text("“%1” is no name of a lamp that is known here. A lamp of its own name "
                            "is called so: lamp white called %2. A remark of the owner's is kept "
                            "by: complaint %3.",
                            word, rest, joined(said)));
    }
    piece.placed = true;
    piece.light.ahead = words.front() == "ditch";
    piece.light.name = rest + (piece.light.count > 1 ? " lamps" : " lamp");
    return piece;
}

}  // namespace

Result<std::vector<PlannedLight>> lightPlan(std::string_view sentence, const Job& job) {
    const std::vector<NamedSite> sites = namedSites(job);
    std::vector<PlannedLight> all;
    std::string_view left = sentence;
    while (!left.empty()) {
        const auto comma = std::min(left.find_first_of(",;"), left.size());
        const Words words = wordsIn(left.substr(0, comma));
        left.remove_prefix(std::min(comma + 1, left.size()));
        // "cab warm and hardly seen" is one lamp, "cab warm and tail red" are two.
        std::vector<Words> parts(1);
        for (std::size_t i = 0; i < words.size(); ++i) {
            if (words[i] == "and" && i + 1 < words.size()) {
                const auto behind = pieceOf(
                    Words(words.begin() + static_cast<std::ptrdiff_t>(i) + 1, words.end()), sites);
                if (!parts.back().empty() && (!behind || behind->placed)) {
                    parts.emplace_back();
                    continue;
                }
            }
            parts.back().push_back(words[i]);
        }
        for (const Words& part : parts) {
            if (part.empty()) continue;
            auto piece = pieceOf(part, sites);
            if (!piece) return tl::unexpected(piece.error());
            if (!piece->placed) {
                return failure(
                    ErrorCode::NotUnderstood, "jot",
                    text("Where is “%1”? Name a place, like tail, or a lamp: ditch lamps.",
                         joined(part)));
            }
            PlannedLight& light = piece->light;
            if (light.colour.empty()) {
                light.colour = light.name.find("tail") != std::string::npos ? "red" : "white";
            }
            const bool twice = std::any_of(all.begin(), all.end(), [&](const PlannedLight& other) {
                return lowered(other.name) == lowered(light.name);
            });
            if (twice) {
                return failure(ErrorCode::NotUnderstood, "jot",
                               text("%1 is said twice.", light.name));
            }
            all.push_back(std::move(light));
        }
    }
    if (all.empty()) {
        return failure(
            ErrorCode::Missing, "jot",
            text("Which lamps? Write it like plan headlamp, tail red, cab warm and hardly "
                 "seen."));
    }
    return all;
}

std::vector<std::string> linesOf(const PlannedLight& light, const Job& job) {
    const std::string wish =
        light.wished ? " for " + formatted(light.wish.value() * 1e6, Dimension::Ratio) + "uA" : "";
    std::vector<std::string> lines{light.place.empty()
                                       ? "lamp " + light.colour + wish + " called " + light.name
                                       : "lamp " + light.place + " " + light.colour + wish};
    for (int i = 1; i < light.count; ++i) lines.push_back("parallel " + light.name);
    if (light.ahead) {
        for (const NamedSite& site : namedSites(job)) {
            if (site.site->facing != Facing::Front) continue;
            for (int i = 0; i < light.count; ++i) {
                const std::string row =
                    light.count > 1 ? light.name + "/" + std::to_string(i + 1) : light.name;
                lines.push_back("place " + row + " " +
                                formatted(site.site->at.x.value() + 2 * i, Dimension::Ratio) +
                                "mm " + formatted(site.site->at.z.value() * 0.6, Dimension::Ratio) +
                                "mm facing front");
            }
            break;
        }
    }
    lines.push_back("own " + light.name);
    return lines;
}

}  // namespace glimmet::core::lamps
