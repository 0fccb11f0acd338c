#include "core/cv/configuration.h"

namespace glimmet::core {
namespace {

constexpr int longAddressBit = 32;  // of CV29

}  // namespace

Result<std::map<int, std::uint8_t>> configurationVariables(const BasicSettings& settings) {
    const int address = settings.address;
    if (address < 1 || address > highestLongAddress) {
        return failure(ErrorCode::OutOfRange, "address",
                       text("An address is 1 to 127 (short) or 128 to 10239 (long)."));
    }
    const bool isLong = settings.longAddress.value_or(address > highestShortAddress);
    if (!isLong && address > highestShortAddress) {
        return failure(ErrorCode::OutOfRange, "long",
                       text("An address above 127 is a long one; false is allowed up to 127."));
    }
    if (settings.speedSteps != 14 && settings.speedSteps != 28 && settings.speedSteps != 128) {
        return failure(ErrorCode::OutOfRange, "speed_steps", text("14, 28 or 128 are allowed."));
    }
    std::map<int, std::uint8_t> values;
    if (isLong) {
        values[17] = static_cast<std::uint8_t>(192 + address / 256);
        values[18] = static_cast<std::uint8_t>(address % 256);
    } else {
        values[1] = static_cast<std::uint8_t>(address);
    }
    values[29] =
        static_cast<std::uint8_t>((settings.reversed ? 1 : 0) +
                                  (settings.speedSteps == 14 ? 0 : 2) + (settings.plainDc ? 4 : 0) +
                                  (settings.speedTable ? 16 : 0) + (isLong ? longAddressBit : 0));
    return values;
}

std::optional<int> addressIn(const std::map<int, std::uint8_t>& values) {
    const auto value = [&](int number) {
        const auto found = values.find(number);
        return found == values.end() ? std::optional<int>() : std::optional<int>(found->second);
    };
    const auto basic = value(29);
    if (!basic) return {};
    if (!(*basic & longAddressBit)) return value(1);
    const auto high = value(17), low = value(18);
    if (!high || !low || *high < 192) return {};
    return (*high - 192) * 256 + *low;
}

}  // namespace glimmet::core
