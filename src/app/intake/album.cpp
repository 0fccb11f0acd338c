#include "app/intake/album.h"

#include "app/frame/photos.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/intake/album.h"

#include <QAbstractButton>
#include <QDialog>
#include <QKeyEvent>
#include <QPainter>
#include <QScreen>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {

/// A print with its caption; or, without a photo, the place for the next.
class Print : public QAbstractButton {
    Q_OBJECT
public:
    static constexpr QSize paper{104, 96};

    explicit Print(QWidget* parent) : QAbstractButton(parent) {
        setFixedSize(paper);
        setCursor(Qt::PointingHandCursor);
        setFocusPolicy(Qt::StrongFocus);
    }
    void show(const QString& caption, std::optional<QImage> image, const QString& missing) {
        m_caption = caption;
        m_image = std::move(image);
        m_missing = missing;
        setAccessibleName(caption);
        setToolTip(missing.isEmpty() ? caption : missing);
        update();
    }

signals:
    void takenOut();

protected:
    void keyPressEvent(QKeyEvent* event) override {
        if (event->key() == Qt::Key_Delete)
            emit takenOut();
        else
            QAbstractButton::keyPressEvent(event);
    }
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
        const QRect picture(4, 4, width() - 8, height() - 24);
        const bool empty = !m_image && m_missing.isEmpty();
        if (m_image) {
            const QSize size =
                m_image->size().scaled(picture.size(), Qt::KeepAspectRatioByExpanding);
            painter.setClipRect(picture);
            painter.drawImage(
                QRect(picture.center() - QPoint(size.width(), size.height()) / 2, size), *m_image);
            painter.setClipping(false);
        } else if (!m_missing.isEmpty()) {
            painter.setPen(look.inkSoft);
            painter.setFont(wordsFont(12));
            painter.drawText(picture.adjusted(3, 3, -3, -3), Qt::AlignCenter | Qt::TextWordWrap,
                             Album::tr("not in this file"));
        } else {
            painter.setPen(QPen(look.brass, 2));
            const QPoint centre = picture.center();
            painter.drawLine(centre - QPoint(8, 0), centre + QPoint(8, 0));
            painter.drawLine(centre - QPoint(0, 8), centre + QPoint(0, 8));
        }
        painter.setBrush(Qt::NoBrush);
        painter.setPen(hasFocus() || underMouse()
                           ? QPen(look.brass, 2)
                           : QPen(look.inkSoft, 1, empty ? Qt::DashLine : Qt::SolidLine));
        painter.drawRect(picture);
        painter.setPen(look.ink);
        painter.setFont(wordsFont(12));
        painter.drawText(QRect(4, height() - 19, width() - 8, 18), Qt::AlignLeft | Qt::AlignVCenter,
                         painter.fontMetrics().elidedText(m_caption, Qt::ElideRight, width() - 8));
    }
    void enterEvent(QEnterEvent*) override { update(); }
    void leaveEvent(QEvent*) override { update(); }

private:
    QString m_caption, m_missing;
    std::optional<QImage> m_image;
};

namespace {

/// One photo as large as the screen allows; the arrow keys go through all of them.
class LargePhoto : public QDialog {
public:
    LargePhoto(Photos& photos, std::vector<std::pair<std::string, QString>> all, std::size_t at,
               QWidget* parent)
        : QDialog(parent), m_photos(photos), m_all(std::move(all)), m_at(at) {
        setObjectName(u"largePhoto"_s);
        setAttribute(Qt::WA_DeleteOnClose);
        resize(parent->window()->size() * 0.86);
        connect(&m_photos, &Photos::ready, this, qOverload<>(&QWidget::update));
        retitle();
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        painter.fillRect(rect(), theme().mat);
        const QRect place = rect().adjusted(16, 16, -16, -48);
        const auto& [sum, caption] = m_all[m_at];
        if (const auto image = m_photos.image(sum, Photos::largestSide)) {
            const QSize size = image->size().scaled(place.size(), Qt::KeepAspectRatio);
            painter.drawImage(QRect(place.center() - QPoint(size.width(), size.height()) / 2, size),
                              *image);
        }
        painter.setPen(theme().matInk);
        painter.setFont(wordsFont(14));
        const QString why = m_photos.missing(sum);
        painter.drawText(rect().adjusted(16, 0, -16, -14), Qt::AlignLeft | Qt::AlignBottom,
                         why.isEmpty() ? caption : u"%1 — %2"_s.arg(caption, why));
        painter.drawText(rect().adjusted(16, 0, -16, -14), Qt::AlignRight | Qt::AlignBottom,
                         Album::tr("%1 of %2   ← →   Esc").arg(m_at + 1).arg(m_all.size()));
    }
    void keyPressEvent(QKeyEvent* event) override {
        const bool on = event->key() == Qt::Key_Right || event->key() == Qt::Key_Down;
        const bool back = event->key() == Qt::Key_Left || event->key() == Qt::Key_Up;
        if (on && m_at + 1 < m_all.size()) ++m_at;
        if (back && m_at > 0) --m_at;
        if (!on && !back) return QDialog::keyPressEvent(event);
        retitle();
        update();
    }
    void mouseReleaseEvent(QMouseEvent*) override { close(); }

private:
    void retitle() {
        setWindowTitle(m_all[m_at].second);
        setAccessibleName(m_all[m_at].second);
    }
    Photos& m_photos;
    std::vector<std::pair<std::string, QString>> m_all;
    std::size_t m_at;
};

/// Lower comes first.
std::size_t rankOf(const core::Job& job, const core::Photo& photo, const std::string& subject) {
    if (!subject.empty() && photo.of == subject) return 0;
    const auto& steps = job.intake.takenOff;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        if (steps[i].id != photo.of || photo.of.empty()) continue;
        // What goes back on next stands first; what is back on, last.
        return steps[i].back.empty() ? steps.size() - i : 2 * steps.size() + 3 - i;
    }
    return photo.of.empty() ? steps.size() + 2 : steps.size() + 1;
}

}  // namespace

Album::Album(QWidget* parent) : QWidget(parent) {
    setObjectName(u"album"_s);
    setAccessibleName(tr("Photos"));
}

void Album::show(Photos& photos, const core::Job& job, const std::string& subject) {
    if (!m_photos) connect(&photos, &Photos::ready, this, &Album::fill);
    m_photos = &photos;
    std::vector<core::Photo> sorted = job.intake.photos;
    std::stable_sort(sorted.begin(), sorted.end(), [&](const auto& a, const auto& b) {
        return rankOf(job, a, subject) < rankOf(job, b, subject);
    });
    m_shown.clear();
    for (core::Photo& photo : sorted) {
        QString caption = said(core::intake::photographed(job, photo.of));
        m_shown.push_back({std::move(photo), std::move(caption)});
    }
    while (m_prints.size() < m_shown.size() + 1) {
        auto* print = new Print(this);
        const std::size_t index = m_prints.size();
        connect(print, &QAbstractButton::clicked, this, [this, index] {
            if (index == 0)
                emit wanted();
            else
                showLarge(index - 1);
        });
        connect(print, &Print::takenOut, this, [this, index] {
            if (index == 0 || index > m_shown.size()) return;
            emit jotChosen(u"discard photo sum "_s + qs(m_shown[index - 1].photo.sum));
        });
        m_prints.push_back(print);
    }
    const QString of = subject.empty() ? QString() : said(core::intake::photographed(job, subject));
    m_prints[0]->show(of.isEmpty() ? tr("a photo") : of, {}, {});
    m_prints[0]->setAccessibleName(tr("A photo of: %1").arg(of.isEmpty() ? tr("the model") : of));
    m_prints[0]->setToolTip(tr("Choose a picture, or drop one on the window"));
    fill();
    lay();
}

void Album::fill() {
    for (std::size_t i = 0; i < m_prints.size(); ++i) {
        m_prints[i]->setVisible(i <= m_shown.size());
        if (i == 0 || i > m_shown.size()) continue;
        const std::string& sum = m_shown[i - 1].photo.sum;
        auto image = m_photos->image(sum);
        m_prints[i]->show(m_shown[i - 1].caption, std::move(image), m_photos->missing(sum));
    }
}

void Album::lay() {
    constexpr int gap = 6;
    const int across = std::max(1, (width() + gap) / (Print::paper.width() + gap));
    for (std::size_t i = 0; i < m_prints.size(); ++i) {
        const int at = static_cast<int>(i);
        m_prints[i]->move((at % across) * (Print::paper.width() + gap),
                          (at / across) * (Print::paper.height() + gap));
    }
    const int rows = (static_cast<int>(m_shown.size()) + across) / across;
    setMinimumHeight(rows * (Print::paper.height() + gap));
}

void Album::resizeEvent(QResizeEvent*) { lay(); }

void Album::showLarge(std::size_t index) {
    if (index >= m_shown.size()) return;
    std::vector<std::pair<std::string, QString>> all;
    for (const Shown& each : m_shown) all.emplace_back(each.photo.sum, each.caption);
    (new LargePhoto(*m_photos, std::move(all), index, this))->open();
}

}  // namespace glimmet::app

#include "album.moc"
