#include "core/work/sheets.h"

#include "core/work/hand_over/sheets.h"
#include "core/work/wire/wiring_sheet.h"

#include <algorithm>

namespace glimmet::core {
namespace {

constexpr SheetKind kinds[] = {{"owner", "For the owner", hand_over::ownerSheet},
                               {"next", "For the next one who opens it", hand_over::nextSheet},
                               {"wiring", "Wiring", wire::wiringSheet}};

}  // namespace

std::span<const SheetKind> sheetKinds() { return kinds; }

const SheetKind* sheetKind(std::string_view name) {
    const auto* found = std::find_if(std::begin(kinds), std::end(kinds),
                                     [&](const SheetKind& kind) { return kind.name == name; });
    return found == std::end(kinds) ? nullptr : found;
}

}  // namespace glimmet::core
