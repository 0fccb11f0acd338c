// The panel of a stage: a plot, a schematic, a table.
#pragma once

#include "core/analysis/operating.h"
#include "core/finding/finding.h"
#include "core/track/crossing.h"
#include "core/work/workshop_stages.h"

#include <QWidget>

#include <optional>
#include <string>
#include <vector>

namespace glimmet::app {

class Photos;

class StagePanel : public QWidget {
    Q_OBJECT
public:
    using QWidget::QWidget;
    /// What the panel shows of the facts it keeps a copy of. `subject`: what is in question.
    virtual void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
                      const std::string& subject) = 0;

    /// Of the workshop's own stations: the workshop as it is.
    virtual void showWorkshop(const core::WorkshopFacts&, const std::string& /*subject*/) {}
    /// What a file that was dropped on the window is to this stage. False: nothing.
    virtual bool takeFile(const QString& /*path*/) { return false; }

    /// Where photos of the open job come from and go to.
    void usePhotos(Photos& photos) { m_photos = &photos; }

protected:
    Photos* m_photos = nullptr;

signals:
    void subjectChosen(const std::string& subject);
    void jotOffered(const QString& start);
    void jotChosen(const QString& line);        ///< a whole line, to be taken
    void jotsChosen(const QStringList& lines);  ///< several, to be taken as one change
    /// Where on its layout the model is to be drawn; nothing: on the bench.
    void trackShown(const std::optional<core::TrackUnder>& track);
    /// The lamps are to be seen so in the dark; empty words: as they are.
    void litAs(const core::Relit& relit, const QString& words);
    void refused(const QString& sentence);  ///< what was asked of it cannot be, and why
};

}  // namespace glimmet::app
