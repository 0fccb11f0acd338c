// The jobs on the shelf, and how they stand.
#pragma once

#include "core/finding/finding.h"
#include "core/record/part.h"
#include "core/record/workshop.h"
#include "store/workshop.h"

#include <QAbstractListModel>

#include <optional>
#include <unordered_map>
#include <unordered_set>
#include <vector>

namespace glimmet::app {

/// How a job stands, as far as it has been looked through.
struct ShelfStanding {
    store::JobId job = 0;
    core::State state = core::State::Fine;
    core::Text next;
    bool operator==(const ShelfStanding&) const = default;
};

class ShelfModel : public QAbstractListModel {
    Q_OBJECT
public:
    enum Role { IdRole = Qt::UserRole, StateRole, KnownRole, NextRole };
    /// The workshop itself stands first on the shelf, under a number that no job has.
    static constexpr store::JobId workshopId = 0;
    explicit ShelfModel(QObject* parent = nullptr);

    /// The drawings that jobs name; they must outlive the model.
    void setDrawings(const std::vector<core::BodyDrawing>& drawings) { m_drawings = &drawings; }
    /// The units of a row, as far as they are drawn.
    [[nodiscard]] std::vector<const core::Body*> bodiesOf(const QModelIndex& index) const;

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] Qt::ItemFlags flags(const QModelIndex& index) const override;
    [[nodiscard]] QStringList mimeTypes() const override;
    [[nodiscard]] QMimeData* mimeData(const QModelIndexList& indexes) const override;
    [[nodiscard]] Qt::DropActions supportedDropActions() const override { return Qt::MoveAction; }
    /// Asks for it by putBefore(); nothing moves before the workshop has it.
    bool dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                      const QModelIndex& parent) override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;

    [[nodiscard]] int rowOf(store::JobId id) const;  ///< -1: not shown
    [[nodiscard]] const std::vector<store::JobEntry>& all() const { return m_all; }

    /// `order`: as core::shelved() takes it.
    void setJobs(std::vector<store::JobEntry> jobs, const std::vector<core::Shelved>& order = {});
    /// Only these are shown; nothing: all.
    void setFilter(std::optional<std::unordered_set<store::JobId>> shown);
    void setStandings(const std::vector<ShelfStanding>& standings);
    void rename(store::JobId id, const std::string& name, const std::string& bodies, double ratio);

signals:
    void putBefore(glimmet::store::JobId id, std::optional<glimmet::store::JobId> before);

private:
    void applyFilter();
    [[nodiscard]] std::vector<const core::BodyDrawing*> drawn(const store::JobEntry& entry) const;
    const std::vector<core::BodyDrawing>* m_drawings = nullptr;
    std::vector<store::JobEntry> m_all;
    std::vector<std::size_t> m_shown;  ///< indices into m_all
    std::optional<std::unordered_set<store::JobId>> m_filter;
    std::unordered_map<store::JobId, ShelfStanding> m_standings;
};

}  // namespace glimmet::app
