#include "app/frame/shelf/shelf_view.h"

#include "app/frame/shelf/silhouette.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QPainter>
#include <QPixmapCache>
#include <QPushButton>
#include <QScrollBar>
#include <QShortcut>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int itemWidth = 178;
constexpr int itemHeight = 104;
constexpr int boardHeight = 38;  // words below the board

/// The bench itself: a top on two legs, a vice at its end, a lamp bent over it.
QPainterPath benchOutline(const QRectF& where) {
    QPainterPath shape;
    shape.addRect(0, 44, 100, 7);
    shape.addRect(8, 51, 8, 29);
    shape.addRect(84, 51, 8, 29);
    shape.addRect(16, 64, 68, 5);
    shape.addRect(4, 36, 22, 8);  // vice: bed, jaws, screw
    shape.addRect(4, 24, 7, 12);
    shape.addRect(17, 24, 7, 12);
    shape.addRect(-6, 38, 10, 3);
    QPainterPath lamp(QPointF(78, 44));
    lamp.lineTo(81, 44);
    lamp.lineTo(88, 18);
    lamp.lineTo(66, 6);
    lamp.lineTo(70, 2);
    lamp.lineTo(48, 8);
    lamp.lineTo(60, 22);
    lamp.lineTo(63, 10);
    lamp.lineTo(84, 20);
    lamp.closeSubpath();
    shape = shape.united(lamp);
    const qreal scale = qMin(where.width() / 112, where.height() / 80);
    return QTransform(scale, 0, 0, scale, where.center().x() - 47 * scale,
                      where.bottom() - 80 * scale)
        .map(shape);
}

/// A silhouette as it was painted last: an edit changes what stands below it, hardly ever a shape.
/// nullptr: the workshop.
QPixmap standing(const std::vector<const core::Body*>* bodies, const QSizeF& size,
                 const QColor& colour, qreal pixels) {
    QString of = u"shelf %1 %2 %3 %4"_s.arg(size.width())
                     .arg(size.height())
                     .arg(colour.name(QColor::HexArgb))
                     .arg(pixels);
    if (!bodies) of += u" workshop"_s;
    for (const core::Body* body : bodies ? *bodies : std::vector<const core::Body*>()) {
        of += u" %1 %2 %3 %4 %5"_s.arg(qs(body->kind))
                  .arg(body->length.value())
                  .arg(body->height.value())
                  .arg(body->profile.size())
                  .arg(body->openings.size());
    }
    QPixmap made;
    if (QPixmapCache::find(of, &made)) return made;
    made = QPixmap((size * pixels).toSize());
    made.setDevicePixelRatio(pixels);
    made.fill(Qt::transparent);
    QPainter painter(&made);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF where({0, 0}, size);
    painter.fillPath(bodies ? silhouette(*bodies, where) : benchOutline(where), colour);
    QPixmapCache::insert(of, made);
    return made;
}

class ShelfDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {itemWidth, itemHeight};
    }
    void paint(QPainter* painter, const QStyleOptionViewItem& option,
               const QModelIndex& index) const override {
        const Theme& look = theme();
        const bool open = option.state & QStyle::State_Selected;
        painter->save();
        painter->setRenderHint(QPainter::Antialiasing);
        const QRectF whole = option.rect;
        const qreal board = whole.bottom() - boardHeight;
        painter->fillRect(QRectF(whole.left(), board, whole.width(), 3), look.paperEdge);

        const auto* model = qobject_cast<const ShelfModel*>(index.model());
        const qreal lift = open ? 0 : 8;
        // The open job stands in front: larger, in ink, on a brass edge.
        const QRectF stand(whole.left() + 14 + lift, whole.top() + 6 + lift,
                           whole.width() - 28 - 2 * lift, board - whole.top() - 6 - lift);
        QColor shape = open ? look.ink : look.inkSoft;
        if (!open) shape.setAlphaF(0.75F);
        const bool workshop = index.data(ShelfModel::IdRole).toLongLong() == ShelfModel::workshopId;
        const std::vector<const core::Body*> bodies = model->bodiesOf(index);
        painter->drawPixmap(stand.topLeft(),
                            standing(workshop ? nullptr : &bodies, stand.size(), shape,
                                     painter->device()->devicePixelRatioF()));
        if (open) {
            painter->fillRect(QRectF(whole.left() + 8, board, whole.width() - 16, 3), look.brass);
        }
        if (option.state & QStyle::State_HasFocus) {
            painter->setPen(QPen(look.brass, 1, Qt::DotLine));
            painter->drawRect(whole.adjusted(4, 2, -4, -2));
        }
        const QRectF words(whole.left() + 10, board + 4, whole.width() - 20, boardHeight - 4);
        const QFont nameFont = wordsFont(13, open);
        painter->setFont(nameFont);
        painter->setPen(look.ink);
        painter->drawText(QRectF(words.left(), words.top(), words.width(), 17),
                          Qt::AlignLeft | Qt::AlignVCenter,
                          QFontMetricsF(nameFont).elidedText(index.data().toString(),
                                                             Qt::ElideRight, words.width()));
        if (!index.data(ShelfModel::KnownRole).toBool()) {
            painter->restore();
            return;
        }
        const auto state = static_cast<core::State>(index.data(ShelfModel::StateRole).toInt());
        paintMark(*painter, QRectF(words.left(), words.top() + 19, 24, 11), state);
        const QFont nextFont = wordsFont(13);
        painter->setFont(nextFont);
        painter->setPen(state == core::State::Fine ? look.inkSoft : look.of(state));
        const QString next = state == core::State::Fine
                                 ? stateWord(state).toLower()
                                 : index.data(ShelfModel::NextRole).toString();
        painter->drawText(
            QRectF(words.left() + 29, words.top() + 16, words.width() - 29, 17),
            Qt::AlignLeft | Qt::AlignVCenter,
            QFontMetricsF(nextFont).elidedText(next, Qt::ElideRight, words.width() - 29));
        painter->restore();
    }
};

/// The workshop itself is no job.
int jobsIn(const ShelfModel& model) {
    return std::max(0, static_cast<int>(model.all().size()) - 1);
}

}  // namespace

ShelfView::ShelfView(QWidget* parent)
    : QWidget(parent),
      m_model(new ShelfModel(this)),
      m_list(new QListView(this)),
      m_search(new QLineEdit(this)),
      m_count(new QLabel(this)),
      m_stop(new QPushButton(tr("Stop"), this)) {
    setObjectName(u"shelf"_s);
    m_list->setObjectName(u"shelfList"_s);
    m_list->setAccessibleName(tr("Shelf: the jobs of the workshop"));
    m_list->setModel(m_model);
    m_list->setItemDelegate(new ShelfDelegate(m_list));
    m_list->setFlow(QListView::LeftToRight);
    m_list->setWrapping(false);
    m_list->setUniformItemSizes(true);
    m_list->setSelectionMode(QAbstractItemView::SingleSelection);
    m_list->setHorizontalScrollMode(QAbstractItemView::ScrollPerPixel);
    m_list->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_list->setFrameShape(QFrame::NoFrame);
    m_list->setFixedHeight(itemHeight + 12);
    m_list->setDragDropMode(QAbstractItemView::DragDrop);
    m_list->setDefaultDropAction(Qt::MoveAction);
    m_list->setToolTip(tr("Drag a job to where it is to stand; or Alt+Left, Alt+Right"));
    connect(m_model, &ShelfModel::putBefore, this, &ShelfView::putBefore);
    for (const auto& [key, by] : {std::pair(Qt::Key_Left, -1), std::pair(Qt::Key_Right, 1)}) {
        auto* move = new QShortcut(Qt::ALT | key, m_list);
        move->setContext(Qt::WidgetShortcut);
        connect(move, &QShortcut::activated, this, [this, by = by] { step(by); });
    }
    m_list->setStyleSheet(u"QListView { background: transparent; }"_s);

    m_search->setObjectName(u"search"_s);
    m_search->setPlaceholderText(tr("Find a job by any word"));
    m_search->setAccessibleName(tr("Find a job by any word"));
    m_search->setClearButtonEnabled(true);
    m_count->setObjectName(u"shelfCount"_s);
    m_count->setWordWrap(true);
    m_stop->hide();
    m_stop->setAccessibleName(tr("Stop looking through the jobs"));

    auto* side = new QVBoxLayout;
    side->setContentsMargins(0, 12, 12, 6);
    side->addWidget(m_search);
    side->addWidget(m_count);
    side->addWidget(m_stop);
    side->addStretch();
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(8, 0, 0, 0);
    row->setSpacing(8);
    row->addWidget(m_list, 1);
    row->addLayout(side);
    m_search->setFixedWidth(220);
    m_count->setFixedWidth(220);

    const auto choose = [this](const QModelIndex& index) {
        if (!index.isValid()) return;
        const auto id = index.data(ShelfModel::IdRole).toLongLong();
        if (id != m_open) emit jobChosen(id);
    };
    connect(m_list, &QListView::clicked, this, choose);
    connect(m_list, &QListView::activated, this, choose);
    connect(m_search, &QLineEdit::textChanged, this, &ShelfView::searched);
    connect(m_search, &QLineEdit::returnPressed, this, [this, choose] {
        // While something is searched only jobs are shown.
        if (m_model->rowCount() > 0) choose(m_model->index(0));
    });
    connect(m_stop, &QPushButton::clicked, this, &ShelfView::scanCancelled);
    const auto count = [this] {
        const auto all = jobsIn(*m_model);
        const int shown =
            m_model->rowCount() - (m_model->rowOf(ShelfModel::workshopId) < 0 ? 0 : 1);
        m_count->setText(shown == all ? jobCount(all) : tr("%1 of %2 jobs").arg(shown).arg(all));
        setOpenJob(m_open);
    };
    connect(m_model, &QAbstractItemModel::modelReset, this, count);
}

/// Moves the job that the list stands on by one.
void ShelfView::step(int by) {
    const QModelIndex at = m_list->currentIndex();
    // Before the one to its left, or before the one behind that to its right.
    const int target = at.row() + (by < 0 ? -1 : 2);
    if (!at.isValid() || at.row() == 0 || target < 1 || target > m_model->rowCount()) return;
    std::optional<store::JobId> before;
    if (target < m_model->rowCount())
        before = m_model->index(target).data(ShelfModel::IdRole).toLongLong();
    const auto id = at.data(ShelfModel::IdRole).toLongLong();
    emit putBefore(id, before);
    m_list->setCurrentIndex(m_model->index(m_model->rowOf(id)));
    m_list->setFocus();
}

void ShelfView::setOpenJob(store::JobId id) {
    m_open = id;
    const int row = m_model->rowOf(id);
    if (row < 0) {
        m_list->clearSelection();
        return;
    }
    m_list->setCurrentIndex(m_model->index(row));
}

void ShelfView::showProgress(int done, int of) {
    const bool running = done < of && of > 200;  // below that it is over before it is read
    m_stop->setVisible(running);
    if (running)
        m_count->setText(tr("%1 of %2 jobs looked through").arg(done).arg(of));
    else
        m_count->setText(jobCount(jobsIn(*m_model)));
}

void ShelfView::focusSearch() {
    m_search->setFocus(Qt::ShortcutFocusReason);
    m_search->selectAll();
}

}  // namespace glimmet::app
