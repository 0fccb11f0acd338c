// The photos of a model as prints: what is in question first, then the steps in the order in which
// they go back on. A press shows one large.
#pragma once

#include "core/record/job.h"

#include <QWidget>

#include <memory>
#include <string>
#include <vector>

namespace glimmet::app {

class Photos;
class Print;

class Album : public QWidget {
    Q_OBJECT
public:
    explicit Album(QWidget* parent = nullptr);
    void show(Photos& photos, const core::Job& job, const std::string& subject);

signals:
    void wanted();                        ///< a photo is to be chosen
    void jotChosen(const QString& line);  ///< one is taken out

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void fill();
    void lay();
    void showLarge(std::size_t index);
    struct Shown {
        core::Photo photo;
        QString caption;
    };
    Photos* m_photos = nullptr;
    std::vector<Shown> m_shown;
    std::vector<Print*> m_prints;  ///< the first takes a new one
};

}  // namespace glimmet::app
