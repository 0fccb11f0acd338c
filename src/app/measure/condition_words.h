// The conditions that a motor is read in, in words.
#pragma once

#include "core/motor/condition.h"

#include <QCoreApplication>

namespace glimmet::app {

[[nodiscard]] inline QString conditionWord(core::MotorCondition condition) {
    switch (condition) {
        case core::MotorCondition::Light:
            return QCoreApplication::translate("condition", "light");
        case core::MotorCondition::Hauling:
            return QCoreApplication::translate("condition", "hauling");
        case core::MotorCondition::Slipping:
            return QCoreApplication::translate("condition", "slipping");
        case core::MotorCondition::Stalled:
            break;
    }
    return QCoreApplication::translate("condition", "stalled");
}

}  // namespace glimmet::app
