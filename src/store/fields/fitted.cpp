#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void poseFields(Io& io, Self& pose) {
    io("at", pose.at);
    io("across", pose.across, Maybe, within(-farthest, farthest));
    io("facing", pose.facing, Maybe);
}

template <class Io, class Self>
void fittedFields(Io& io, Self& fitted) {
    io("unit", fitted.unit, Required, identity);
    io("place", fitted.place, Required, unsearched({}));
    io("pose", fitted.pose);
}

}  // namespace

GLIMMET_FIELDS(core::Pose, poseFields)
GLIMMET_FIELDS(core::Fitted, fittedFields)

}  // namespace glimmet::store
