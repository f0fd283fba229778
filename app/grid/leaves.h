// Editable tables of which one is shown at a time, chosen by the words above them, with what adds
// and removes a row.
#pragma once

#include <QHBoxLayout>
#include <QPushButton>
#include <QStackedWidget>
#include <functional>
#include <optional>
#include <vector>

#include "app/grid/grid_model.h"
#include "app/grid/table.h"

namespace pp {

class Leaves : public QWidget {
  Q_OBJECT
 public:
  struct Leaf {
    QString choice;  // on its button
    QString name;
    std::vector<GridColumn> columns;
    std::function<std::size_t(const Job&)> rows;
    QString addWhat, removeWhat;    // as undo says it
    std::function<void(Job&)> add;  // none: its rows follow from something else
    std::function<void(Job&, std::size_t)> remove;
    int wide = 0;  // the column that takes the room left
  };

  // `what` one row is: "supply".
  Leaves(Session& session, const QString& what, QWidget* parent = nullptr);
  void add(Leaf leaf);
  // Once all are there: what stands to the right of Add and Remove, and the first leaf is shown.
  void finish(const std::vector<QWidget*>& beside = {});

  void showLeaf(std::size_t leaf);
  std::size_t shownLeaf() const { return shown_; }
  QWidget* shownTable() const { return leaves_[shown_].table; }

 signals:
  void refused(const pp::Problems& problems);  // empty: the last edit was taken
  void leafShown(int leaf);

 protected:
  // The row of the leaf shown, as the job that is shown has it.
  std::optional<std::size_t> chosen() const;
  void chooseLast();

 private:
  struct Row {
    QPushButton* choice;
    Table* table;
    Leaf leaf;
  };
  void addRow();
  void removeRow();

  Session& session_;
  std::vector<Row> leaves_;
  std::size_t shown_ = 0;
  QHBoxLayout* head_;
  QStackedWidget* tables_;
  QPushButton* add_;
  QPushButton* remove_;
};

// "slide 4": the first number that no row has taken.
template <class Row>
std::string freeName(const std::vector<Row>& rows, const QString& stem) {
  for (std::size_t n = rows.size() + 1;; ++n) {
    std::string name = (stem + QStringLiteral(" %1").arg(n)).toStdString();
    if (std::none_of(rows.begin(), rows.end(), [&](const Row& row) { return row.name == name; }))
      return name;
  }
}

template <class Row>
void eraseRow(std::vector<Row>& rows, std::size_t row) {
  rows.erase(rows.begin() + static_cast<std::ptrdiff_t>(row));
}

}  // namespace pp
