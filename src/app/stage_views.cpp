#include "app/lamps/lamps_view.h"
#include "app/measure/measure_view.h"
#include "app/reserve/reserve_view.h"
#include "app/stage_view.h"

#include <algorithm>

namespace glimmet::app {
namespace {

constinit const StageView views[] = {measureView, lampsView, reserveView};
constinit const PartPainter parts[] = {decoderPainter, bankPainter};

}  // namespace

std::span<const StageView> stageViews() { return views; }
std::span<const PartPainter> partPainters() { return parts; }

const StageView& stageView(std::string_view stage) {
    return *std::find_if(std::begin(views), std::end(views),
                         [&](const StageView& view) { return view.stage == stage; });
}

}  // namespace glimmet::app
