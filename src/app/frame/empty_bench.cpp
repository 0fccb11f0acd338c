#include "app/frame/empty_bench.h"

#include "app/frame/shelf/silhouette.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QGridLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

/// A kind of body to put on the shelf, as its silhouette.
class KindButton : public QPushButton {
public:
    KindButton(core::BodyKind kind, QWidget* parent) : QPushButton(parent), m_kind(kind) {
        setObjectName(u"new-"_s + qs(std::string(core::name(kind))));
        setAccessibleName(EmptyBench::tr("New job: %1").arg(bodyName(kind)));
        setMinimumSize(150, 96);
    }

protected:
    void paintEvent(QPaintEvent* event) override {
        QPushButton::paintEvent(event);
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        const core::Body body = core::bodyTemplate(m_kind, core::usualLength(m_kind, 87));
        painter.fillPath(silhouette(body, QRectF(rect()).adjusted(14, 10, -14, -32)), theme().ink);
        painter.setPen(theme().ink);
        painter.setFont(wordsFont(14));
        painter.drawText(rect().adjusted(4, 0, -4, -6), Qt::AlignBottom | Qt::AlignHCenter,
                         bodyName(m_kind));
    }

private:
    core::BodyKind m_kind;
};

}  // namespace

EmptyBench::EmptyBench(QWidget* parent) : QWidget(parent) {
    constexpr int columns = 4;
    auto* grid = new QGridLayout(this);
    auto* invitation = new QLabel(
        tr("Nothing on the bench yet. Which shape comes nearest to the model in your hand? Then "
           "measure it: running current first, because a decoder never cures a bad runner."),
        this);
    invitation->setWordWrap(true);
    invitation->setObjectName(u"invitation"_s);
    grid->setContentsMargins(24, 16, 24, 16);
    grid->addWidget(invitation, 0, 0, 1, columns);
    int place = 0;
    for (const core::BodyKind kind : core::bodyKinds) {
        auto* button = new KindButton(kind, this);
        grid->addWidget(button, 1 + place / columns, place % columns);
        ++place;
        connect(button, &QPushButton::clicked, this, [this, kind] { emit kindChosen(kind); });
    }
    grid->setRowStretch(2 + place / columns, 1);
}

}  // namespace glimmet::app
