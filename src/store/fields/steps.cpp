#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void stepFields(Io& io, Self& step) {
    io("step", step.step, Required, unsearched(characters(80, 1)));
    io("fate", step.fate);
    io("on", step.on, Maybe, date);
    io("why", step.why, Maybe);
    io("until", step.until, Maybe, date);
    io("took", step.took, Maybe, from0To(1e6));
}

template <class Io, class Self>
void ownStepFields(Io& io, Self& step) {
    io("id", step.id, Required, identity);
    io("words", step.words, Required, characters(400, 1));
    io("before", step.before, Maybe, unsearched(characters(80)));
}

}  // namespace

GLIMMET_FIELDS(core::StepRecord, stepFields)
GLIMMET_FIELDS(core::OwnStep, ownStepFields)

}  // namespace glimmet::store
