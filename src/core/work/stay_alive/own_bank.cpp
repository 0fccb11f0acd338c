#include "core/work/stay_alive/own_bank.h"

#include "core/jot/sizes.h"
#include "core/quantity/format.h"
#include "core/work/jotted.h"

#include <cmath>
#include <tuple>

namespace glimmet::core::stay_alive {

using namespace jot;

std::array<Millimetres, 3> usualBankSize(BankKind kind, Farads each, Volts rated, int count) {
    const double joules = 0.5 * each.value() * rated.value() * rated.value();
    const double perCubicMillimetre = (kind == BankKind::Supercapacitor ? 2.8 : 0.3) / 1000;
    const double volume = joules / perCubicMillimetre;
    const double wide = std::cbrt(volume / 1.5);
    const auto toHalf = [](double mm) { return Millimetres{std::ceil(mm * 2) / 2}; };
    return {toHalf(wide * count), toHalf(wide), toHalf(wide * 1.5)};
}

std::vector<Named> bankKinds(const Context&) {
    return {
        {"tantalum", {"tantalums", "chips"}, "chips with a bar at plus"},
        {"can", {"cans", "electrolytic", "electrolytics"}, "electrolytic, with a stripe at minus"},
        {"cell", {"cells", "supercap", "supercaps"}, "supercapacitors"}};
}
std::vector<Named> joints(const Context&) {
    return {{"series", {"row"}, "one behind another: their volts add"},
            {"parallel", {}, "side by side: their farads add"}};
}

std::optional<std::string> jointSaid(const ParsedLine& said) {
    const auto& behindIn = said.name("HOLLOW");
    return behindIn == "series" || behindIn == "parallel" ? behindIn : said.name("JOINT");
}

/// "bank 5x0.47F 2.7V series": made up of single parts.
Result<BankPart> ownBank(const ParsedLine& said) {
    const Farads each = *said.one<Farads>("FARADS");
    const auto rated = said.one<Volts>("RATED");
    const auto& counts = said.at("COUNT").quantities;
    const double number = counts.empty() ? 1.0 : counts.front();
    const auto joint = jointSaid(said);
    if (!rated) {
        return refuse(ErrorCode::Missing, text("What volts are printed on each? Write it like bank "
                                               "5x0.47F 2.7V series."));
    }
    if (std::abs(number - std::round(number)) > 1e-9) {
        return refuse(ErrorCode::OutOfRange, text("So many of them cannot be: write 5x0.47F."));
    }
    if (number > 1 && !joint) {
        return refuse(
            ErrorCode::Missing,
            text("Joined how: in series, so that their volts add, or in parallel, so that "
                 "their farads do?"));
    }
    const bool inSeries = joint == "series";
    if (inSeries && number > 12) {
        return refuse(ErrorCode::OutOfRange, text("More than 12 in series are not kept."));
    }
    BankPart made;
    made.id = ownBankId;
    const auto kind = said.name("KIND");
    made.kind = kind == "tantalum" ? BankKind::Tantalum
                : kind == "cell" || (!kind && each >= Farads{0.05} && *rated <= Volts{6})
                    ? BankKind::Supercapacitor
                    : BankKind::Electrolytic;
    made.capacitance = inSeries ? each / number : each * number;
    made.rated = inSeries ? *rated * number : *rated;
    made.inSeries = inSeries ? static_cast<int>(number) : 1;
    const std::string one = formatted(each) + " " + formatted(*rated);
    made.name = number > 1 ? formatted(number, Dimension::Ratio) + " × " + one +
                                 (inSeries ? " in series" : " in parallel")
                           : one;
    const auto& words = said.at("SIZE").words;
    if (!words.empty()) {
        const auto size = sizesIn<3>(words, 0.5, 300);
        if (!size) {
            return refuse(ErrorCode::NotUnderstood, text("“%1” is no size. Write the measures of "
                                                         "the whole bank like size 30x12x8.",
                                                         words));
        }
        std::tie(made.length, made.width, made.height) =
            std::tie((*size)[0], (*size)[1], (*size)[2]);
        return made;
    }
    const std::array<Millimetres, 3> usual =
        usualBankSize(made.kind, each, *rated, static_cast<int>(number));
    std::tie(made.length, made.width, made.height) = std::tie(usual[0], usual[1], usual[2]);
    made.name += " (size guessed)";
    return made;
}

}  // namespace glimmet::core::stay_alive
