#include "app/theme/words.h"

#include "core/work/job_stages.h"
#include "core/work/workshop_stages.h"

#include <QCoreApplication>
#include <QRegularExpression>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {
QString tr(const char* words) { return QCoreApplication::translate("words", words); }
}  // namespace

QString said(const core::Error& error) { return said(error.what); }

QString stateWord(core::State state, bool open) {
    if (open) return tr("To do");
    switch (state) {
        case core::State::Fine:
            return tr("Fine");
        case core::State::Close:
            return tr("Close");
        case core::State::Ask:
            return tr("Ask");
        case core::State::Over:
            break;
    }
    return tr("Over");
}

QString stageTitle(std::string_view stage) {
    for (const core::JobStage& each : core::jobStages()) {
        if (each.name == stage) return QCoreApplication::translate("core", each.title);
    }
    for (const core::WorkshopStage& each : core::workshopStages()) {
        if (each.name == stage) return QCoreApplication::translate("core", each.title);
    }
    return {};
}

QString jobCount(int jobs) { return jobs == 1 ? tr("1 job") : tr("%1 jobs").arg(jobs); }

QString bodyTitle(const core::BodyDrawing& drawing) {
    return QCoreApplication::translate("bodies", drawing.title.c_str());
}

QString unbroken(QString words) {
    static const QRegularExpression unit(u"([0-9]) ((?:[pnµmkMG]?[VAΩFWJs]|mm)\\b)"_s,
                                         QRegularExpression::UseUnicodePropertiesOption);
    return words.replace(unit, u"\\1\u00a0\\2"_s);
}

QString formulaRich(const QString& formula) {
    static const QRegularExpression index(u"_([A-Za-z0-9]+)"_s);
    return unbroken(formula.toHtmlEscaped()).replace(index, u"<i>\\1</i>"_s);
}

QString figureTip(const core::Figure& figure) {
    QString tip =
        u"<b>%1</b>: %2<br>%3"_s.arg(said(figure.name).toHtmlEscaped(), qs(core::shown(figure)),
                                     said(core::words(figure.basis)).toHtmlEscaped());
    if (!figure.formula.empty()) {
        tip += u"<br>%1 = %2<br>= %3"_s.arg(formulaRich(qs(figure.symbol)),
                                            formulaRich(qs(figure.formula)),
                                            formulaRich(qs(core::withValues(figure))));
    }
    return tip;
}

}  // namespace glimmet::app
