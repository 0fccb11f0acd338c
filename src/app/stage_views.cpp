#include "app/dc_test/dc_test_view.h"
#include "app/decoder/decoder_view.h"
#include "app/district/district_view.h"
#include "app/first_power/first_power_view.h"
#include "app/fit/fit_view.h"
#include "app/hand_over/hand_over_view.h"
#include "app/intake/intake_view.h"
#include "app/lamps/lamps_view.h"
#include "app/measure/measure_view.h"
#include "app/meter/meter_view.h"
#include "app/rules/rules_view.h"
#include "app/run_in/run_in_view.h"
#include "app/settings/settings_view.h"
#include "app/stage_view.h"
#include "app/stay_alive/stay_alive_view.h"
#include "app/wire/wire_view.h"

namespace glimmet::app {
namespace {

constinit const StageView views[] = {
    intakeView, dcTestView, measureView,    decoderView,  lampsView, stayAliveView, fitView,
    wireView,   meterView,  firstPowerView, settingsView, runInView, handOverView};
constinit const StageView ofWorkshop[] = {rulesView, districtView};
constinit const PartPainter parts[] = {decoderPainter, bankPainter};

}  // namespace

std::span<const StageView> stageViews() { return views; }
std::span<const StageView> workshopViews() { return ofWorkshop; }
std::span<const PartPainter> partPainters() { return parts; }

const StageView& stageView(std::string_view stage) {
    for (const auto all : {stageViews(), workshopViews()}) {
        for (const StageView& view : all) {
            if (view.stage == stage) return view;
        }
    }
    return views[0];
}

}  // namespace glimmet::app
