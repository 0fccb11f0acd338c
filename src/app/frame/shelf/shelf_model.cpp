#include "app/frame/shelf/shelf_model.h"

#include "app/theme/words.h"

#include <QMimeData>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {

ShelfModel::ShelfModel(QObject* parent) : QAbstractListModel(parent) {}

int ShelfModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(m_shown.size());
}

QVariant ShelfModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid()) return {};
    const store::JobEntry& entry = m_all[m_shown[static_cast<std::size_t>(index.row())]];
    const auto standing = m_standings.find(entry.id);
    const bool known = standing != m_standings.end();
    switch (role) {
        case Qt::DisplayRole:
            return qs(entry.name);
        case IdRole:
            return QVariant::fromValue(entry.id);
        case KnownRole:
            return known;
        case StateRole:
            return known ? static_cast<int>(standing->second.state) : 0;
        case NextRole:
            return known ? said(standing->second.next) : QString();
        case Qt::AccessibleTextRole:
        case Qt::ToolTipRole: {
            QStringList titles;
            for (const core::BodyDrawing* drawing : drawn(entry)) titles << bodyTitle(*drawing);
            if (titles.isEmpty()) titles << qs(entry.bodies);
            if (entry.id == workshopId) return tr("Workshop: house rules");
            const QString called = tr("%1, %2").arg(qs(entry.name), titles.join(u" + "_s));
            return known ? tr("%1. %2: %3")
                               .arg(called, stateWord(standing->second.state),
                                    said(standing->second.next))
                         : called;
        }
        default:
            return {};
    }
}

std::vector<const core::BodyDrawing*> ShelfModel::drawn(const store::JobEntry& entry) const {
    std::vector<const core::BodyDrawing*> all;
    if (!m_drawings) return all;
    for (const QString& each : qs(entry.bodies).split(u'+')) {
        const std::string id = each.toStdString();
        for (const core::BodyDrawing& drawing : *m_drawings) {
            if (drawing.id == id) all.push_back(&drawing);
        }
    }
    return all;
}

std::vector<const core::Body*> ShelfModel::bodiesOf(const QModelIndex& index) const {
    std::vector<const core::Body*> all;
    for (const auto* drawing : drawn(m_all[m_shown[static_cast<std::size_t>(index.row())]])) {
        all.push_back(&drawing->body);
    }
    return all;
}

int ShelfModel::rowOf(store::JobId id) const {
    for (std::size_t row = 0; row < m_shown.size(); ++row) {
        if (m_all[m_shown[row]].id == id) return static_cast<int>(row);
    }
    return -1;
}

// A job that is dragged along the shelf, by its number.
constexpr QLatin1String dragged("application/x-glimmet-shelf");

Qt::ItemFlags ShelfModel::flags(const QModelIndex& index) const {
    const Qt::ItemFlags flags = QAbstractListModel::flags(index);
    // Between two jobs one is dropped, never on one; the workshop itself stays first.
    if (!index.isValid()) return flags | Qt::ItemIsDropEnabled;
    return index.data(IdRole).toLongLong() == workshopId ? flags : flags | Qt::ItemIsDragEnabled;
}

QStringList ShelfModel::mimeTypes() const { return {dragged}; }

QMimeData* ShelfModel::mimeData(const QModelIndexList& indexes) const {
    auto* data = new QMimeData;
    data->setData(dragged, QByteArray::number(indexes.front().data(IdRole).toLongLong()));
    return data;
}

bool ShelfModel::dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int,
                              const QModelIndex& parent) {
    if (action != Qt::MoveAction || !data->hasFormat(dragged) || parent.isValid()) return false;
    const store::JobId id = data->data(dragged).toLongLong();
    std::optional<store::JobId> before;
    if (row >= 0 && row < rowCount()) before = index(row).data(IdRole).toLongLong();
    if (before == id || before == workshopId) return false;
    emit putBefore(id, before);
    return false;  // no row is to be taken away: the shelf is read anew
}

void ShelfModel::setJobs(std::vector<store::JobEntry> jobs,
                         const std::vector<core::Shelved>& order) {
    beginResetModel();
    std::vector<int> came;
    std::unordered_map<int, store::JobEntry> called;
    for (store::JobEntry& each : jobs) {
        const int number = static_cast<int>(each.id);
        came.push_back(number);
        called.emplace(number, std::move(each));
    }
    m_all.clear();
    for (const int number : core::shelved(came, order)) m_all.push_back(called.at(number));
    m_all.insert(m_all.begin(), {workshopId, tr("Workshop").toStdString(), {}, 1});
    applyFilter();
    endResetModel();
}

void ShelfModel::setFilter(std::optional<std::unordered_set<store::JobId>> shown) {
    beginResetModel();
    m_filter = std::move(shown);
    applyFilter();
    endResetModel();
}

void ShelfModel::applyFilter() {
    m_shown.clear();
    for (std::size_t i = 0; i < m_all.size(); ++i) {
        if (!m_filter || m_filter->contains(m_all[i].id)) m_shown.push_back(i);
    }
}

void ShelfModel::setStandings(const std::vector<ShelfStanding>& standings) {
    // An edit rarely changes how a job stands, and a row without change need not be painted.
    std::vector<store::JobId> changed;
    for (const ShelfStanding& standing : standings) {
        const auto [at, isNew] = m_standings.try_emplace(standing.job, standing);
        if (isNew || at->second != standing) changed.push_back(standing.job);
        at->second = standing;
    }
    if (changed.empty() || m_shown.empty()) return;
    constexpr std::size_t few = 8;
    if (changed.size() > few) {
        emit dataChanged(index(0), index(rowCount() - 1));
        return;
    }
    for (const store::JobId id : changed) {
        if (const int row = rowOf(id); row >= 0) emit dataChanged(index(row), index(row));
    }
}

void ShelfModel::rename(store::JobId id, const std::string& name, const std::string& bodies,
                        double ratio) {
    const store::JobEntry renamed{id, name, bodies, ratio};
    const auto entry = std::find_if(m_all.begin(), m_all.end(),
                                    [&](const store::JobEntry& each) { return each.id == id; });
    if (entry == m_all.end() || *entry == renamed) return;
    *entry = renamed;
    if (const int row = rowOf(id); row >= 0) emit dataChanged(index(row), index(row));
}

}  // namespace glimmet::app
