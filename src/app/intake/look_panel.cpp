#include "app/intake/look_panel.h"

#include "app/frame/photos.h"
#include "app/intake/album.h"
#include "app/intake/intake_view.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/intake/album.h"
#include "core/work/intake/look_list.h"

#include <QCoreApplication>
#include <QDir>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollArea>
#include <QVBoxLayout>

#include <optional>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* lookPanel(QWidget* parent) { return new LookPanel(parent); }

/// One item: its name, what to look for, and two tags to press. G is good, B is bad.
class LookRow : public QWidget {
    Q_OBJECT
public:
    explicit LookRow(QWidget* parent) : QWidget(parent) {
        setFixedHeight(38);
        setFocusPolicy(Qt::StrongFocus);
        setMouseTracking(true);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const core::intake::LookItem& item, const core::LookedAt* looked, bool next) {
        id = QString::fromUtf8(item.id);
        m_title = QCoreApplication::translate("core", item.title);
        m_look = QCoreApplication::translate("core", item.look);
        m_good = looked ? std::optional(looked->good) : std::nullopt;
        m_next = next;
        setObjectName(u"look-"_s + id);
        const QString how = !m_good   ? LookPanel::tr("not looked at")
                            : *m_good ? LookPanel::tr("good")
                                      : LookPanel::tr("bad");
        setAccessibleName(LookPanel::tr("%1: %2").arg(m_title, how));
        setAccessibleDescription(LookPanel::tr("%1. G: good, B: bad").arg(m_look));
        setToolTip(m_look);
        update();
    }
    QString id;

signals:
    void good();
    void bad();

protected:
    [[nodiscard]] QRect tag(int index) const { return {width() - 180 + index * 88, 5, 82, 28}; }
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        if (m_next) {
            painter.fillRect(rect(), look.paperRaised);
            painter.fillRect(QRect(0, 4, 4, height() - 8), look.brass);
        }
        if (hasFocus()) {
            painter.setPen(QPen(look.brass, 2));
            painter.drawRect(rect().adjusted(1, 1, -1, -1));
        }
        const int wide = width() - 196;
        painter.setFont(wordsFont(13, m_next));
        painter.setPen(look.ink);
        painter.drawText(QRect(12, 2, wide, 18), Qt::AlignVCenter,
                         painter.fontMetrics().elidedText(m_title, Qt::ElideRight, wide));
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        painter.drawText(QRect(12, 19, wide, 18), Qt::AlignVCenter,
                         painter.fontMetrics().elidedText(m_look, Qt::ElideRight, wide));
        for (int i = 0; i < 2; ++i) {
            const bool set = m_good && *m_good == (i == 0);
            const QColor colour = i == 0 ? look.fine : look.over;
            const QRect at = tag(i);
            // A tag on a string: one corner cut, a hole in it.
            QPainterPath shape;
            shape.moveTo(at.left() + 9, at.top());
            shape.lineTo(at.right(), at.top());
            shape.lineTo(at.right(), at.bottom());
            shape.lineTo(at.left() + 9, at.bottom());
            shape.lineTo(at.left(), at.center().y());
            shape.closeSubpath();
            painter.setPen(QPen(set ? colour : look.inkSoft, set ? 1.8 : 1));
            painter.setBrush(set ? look.paperRaised : QColor(Qt::transparent));
            painter.drawPath(shape);
            painter.drawEllipse(QPointF(at.left() + 10, at.center().y() + 0.5), 2, 2);
            if (set) {
                paintMark(painter, QRectF(at.right() - 22, at.top() + 9, 18, 9),
                          i == 0 ? core::State::Fine : core::State::Over);
            }
            painter.setPen(set ? colour : look.ink);
            painter.setFont(wordsFont(13, set));
            painter.drawText(at.adjusted(17, 0, 0, 0), Qt::AlignVCenter | Qt::AlignLeft,
                             i == 0 ? LookPanel::tr("good") : LookPanel::tr("bad"));
        }
    }
    void mouseReleaseEvent(QMouseEvent* event) override {
        if (tag(0).contains(event->position().toPoint())) emit good();
        if (tag(1).contains(event->position().toPoint())) emit bad();
    }
    void keyPressEvent(QKeyEvent* event) override {
        if (event->key() == Qt::Key_G)
            emit good();
        else if (event->key() == Qt::Key_B)
            emit bad();
        else
            QWidget::keyPressEvent(event);
    }

private:
    QString m_title, m_look;
    std::optional<bool> m_good;
    bool m_next = false;
};

LookPanel::LookPanel(QWidget* parent)
    : StagePanel(parent),
      m_beside(new QLabel),
      m_album(new Album),
      m_rows(std::make_unique<Rows<LookRow>>()) {
    setObjectName(u"lookPanel"_s);
    setAccessibleName(tr("What to look at on this model"));
    const auto scrolled = [](QWidget* page) {
        auto* scroll = new QScrollArea;
        scroll->setWidgetResizable(true);
        scroll->setFrameShape(QFrame::NoFrame);
        scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        scroll->setWidget(page);
        return scroll;
    };
    m_page = new QWidget;
    m_column = new QVBoxLayout(m_page);
    m_column->setContentsMargins(0, 4, 0, 4);
    m_column->setSpacing(1);
    m_column->setAlignment(Qt::AlignTop);
    m_beside->setObjectName(u"ownerSays"_s);
    m_beside->setWordWrap(true);
    m_beside->setTextFormat(Qt::RichText);
    m_beside->setAlignment(Qt::AlignTop);
    m_beside->setFont(wordsFont(13));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(scrolled(m_page), 13);
    auto* besides = new QWidget;
    auto* upright = new QVBoxLayout(besides);
    upright->setContentsMargins(10, 8, 10, 8);
    upright->addWidget(m_album);
    upright->addWidget(m_beside, 1);
    row->addWidget(scrolled(besides), 7);
    connect(m_beside, &QLabel::linkActivated, this, [this](const QString& link) {
        // A line that is whole is taken; the start of one waits to be finished.
        if (link.startsWith(u'#'))
            emit subjectChosen(link.mid(1).toStdString());
        else if (link.endsWith(u' '))
            emit jotOffered(link);
        else
            emit jotChosen(link);
    });
    connect(m_album, &Album::jotChosen, this, &LookPanel::jotChosen);
    connect(m_album, &Album::wanted, this, [this] {
        const QString path = QFileDialog::getOpenFileName(this, tr("Photo"), QDir::homePath(),
                                                          tr("Pictures (*.png *.jpg *.jpeg)"));
        if (!path.isEmpty()) m_photos->add(path, m_photographed);
    });
}

LookPanel::~LookPanel() = default;

void LookPanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                     const std::string& subject) {
    const core::Job& job = facts.job;
    const auto is = [&](const auto& each) { return each.id == subject; };
    const auto& spots = job.intake.spots;
    const auto& steps = job.intake.takenOff;
    const bool sits = !subject.empty() && (std::any_of(spots.begin(), spots.end(), is) ||
                                           std::any_of(steps.begin(), steps.end(), is));
    m_photographed = sits ? subject : std::string();
    m_album->show(*m_photos, job, m_photographed);
    const auto next = core::intake::nextToLook(job);
    m_rows->fill(
        m_column, core::intake::lookList(job),
        [this] {
            auto* row = new LookRow(m_page);
            connect(row, &LookRow::good, this,
                    [this, row] { emit jotChosen(u"good "_s + row->id); });
            connect(row, &LookRow::bad, this,
                    [this, row] { emit jotOffered(u"bad %1 "_s.arg(row->id)); });
            return row;
        },
        [&](LookRow& row, const core::intake::LookItem& item) {
            row.show(item, core::intake::lookedAt(job, item.id),
                     next && std::string_view(next->id) == item.id);
        });

    // What the owner says and what lies about, each with the start of the line that adds to it.
    const Theme& look = theme();
    QString page;
    const auto head = [&](const QString& words, const QString& jot) {
        page +=
            u"<p style='margin:6px 0 2px 0'><a href='%1' style='color:%2;text-decoration:none'><b>%3</b></a></p>"_s
                .arg(jot, look.brass.name(), words);
    };
    const auto line = [&](const QString& words, bool done = false) {
        page += u"<p style='margin:0 0 2px 8px;color:%1'>%2</p>"_s.arg(
            (done ? look.inkSoft : look.ink).name(),
            done ? u"<s>%1</s>"_s.arg(words.toHtmlEscaped()) : words.toHtmlEscaped());
    };
    head(tr("The owner wishes"), u"wants "_s);
    line(job.wish.empty() ? tr("nothing noted") : qs(job.wish));
    head(tr("The owner says"), u"complaint "_s);
    if (job.intake.complaints.empty()) line(tr("no complaint"));
    for (const core::Complaint& each : job.intake.complaints) {
        line(qs(each.words), !each.answer.empty());
    }
    if (!job.intake.loose.empty()) {
        head(tr("Loose parts"), u"loose "_s);
        for (const core::LoosePart& each : job.intake.loose) {
            line(each.bag.empty() ? qs(each.what)
                                  : tr("%1, bag %2").arg(qs(each.what), qs(each.bag)));
        }
    }
    head(tr("Taken apart, in order"), u"off "_s);
    if (job.intake.takenOff.empty()) line(tr("nothing yet"));
    const auto back = core::intake::nextBackOn(job);
    for (std::size_t i = 0; i < job.intake.takenOff.size(); ++i) {
        const core::TakenOff& step = job.intake.takenOff[i];
        // Pressed, a step is what the next photo is of.
        const QString words = tr("%1. %2").arg(i + 1).arg(qs(step.what)).toHtmlEscaped();
        const QColor colour = !step.back.empty()                       ? look.inkSoft
                              : !step.id.empty() && step.id == subject ? look.brass
                                                                       : look.ink;
        page +=
            u"<p style='margin:0 0 2px 8px'><a href='#%1' style='color:%2;text-decoration:%3'>%4</a>"_s
                .arg(qs(step.id), colour.name(), step.back.empty() ? u"none"_s : u"line-through"_s,
                     words);
        if (back == i) {
            page += u" &nbsp; <a href='refitted' style='color:%1'>%2</a>"_s.arg(
                look.brass.name(), tr("it is back on"));
        }
        page += u"</p>"_s;
    }
    head(tr("Oiled"), u"oiled "_s);
    if (job.intake.oiled.empty()) line(tr("nothing yet"));
    for (const core::Oiled& each : job.intake.oiled) {
        line(tr("%1 with %2, %3").arg(qs(each.point), qs(each.with), qs(each.on)));
    }
    m_beside->setText(page);
}

bool LookPanel::takeFile(const QString& path) {
    if (!Photos::isPicture(path)) return false;
    m_photos->add(path, m_photographed);
    return true;
}

}  // namespace glimmet::app

#include "look_panel.moc"
