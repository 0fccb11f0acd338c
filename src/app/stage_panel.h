// The panel of a stage: a plot, a schematic, a table.
#pragma once

#include "app/picture/picture_overlay.h"
#include "core/analysis/job_analysis.h"
#include "core/finding/finding.h"
#include "core/work/workshop_stages.h"

#include <QWidget>

#include <string>
#include <utility>
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
    /// What the picture shows of it while it is the one that is seen.
    [[nodiscard]] const PictureOverlay& overlay() const { return m_overlay; }

protected:
    void overlay(PictureOverlay shown) {
        m_overlay = std::move(shown);
        emit overlayChanged();
    }
    Photos* m_photos = nullptr;

signals:
    void subjectChosen(const std::string& subject);
    void jotOffered(const QString& start);
    void jotChosen(const QString& line);        ///< a whole line, to be taken
    void jotsChosen(const QStringList& lines);  ///< several, to be taken as one change
    void overlayChanged();
    void refused(const QString& sentence);  ///< what was asked of it cannot be, and why

private:
    PictureOverlay m_overlay;
};

}  // namespace glimmet::app
