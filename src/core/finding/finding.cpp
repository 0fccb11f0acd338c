#include "core/finding/finding.h"

#include <algorithm>

namespace glimmet::core {
namespace {
void collect(const Figure& figure, std::vector<const Figure*>& into) {
    const bool known = std::any_of(into.begin(), into.end(), [&](const Figure* other) {
        return other->symbol == figure.symbol && other->value == figure.value;
    });
    if (!known) into.push_back(&figure);
    for (const Figure& input : figure.inputs) collect(input, into);
}
}  // namespace

std::vector<const Figure*> allFigures(const Finding& finding) {
    std::vector<const Figure*> all;
    for (const Figure& figure : finding.figures) collect(figure, all);
    return all;
}

}  // namespace glimmet::core
