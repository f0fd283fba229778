// What lies beside the sheets: drawer slides, edge banding and things bought ready made, a table
// each, one shown at a time.
#pragma once

#include <QHBoxLayout>
#include <QPushButton>
#include <QStackedWidget>
#include <functional>
#include <vector>

#include "app/grid/grid_model.h"
#include "app/grid/table.h"

namespace pp {

// Height of the tables at the foot of the stage: three rows.
inline constexpr int kLowTable = 122;

class Supplies : public QWidget {
  Q_OBJECT
 public:
  explicit Supplies(Session& session, QWidget* parent = nullptr);

  // Takes the slides of a list in the place of those there are, or says what is wrong with it.
  bool readSlidesFile(const QString& path);
  bool writeSlidesFile(const QString& path);

 signals:
  void refused(const pp::Problems& problems);  // empty: the last edit was taken

 private:
  struct Kind {
    QPushButton* choice;
    Table* table;
    QString addWhat, removeWhat;  // as undo says it
    std::function<void(Job&)> add;
    std::function<void(Job&, std::size_t)> remove;
  };
  void addKind(const QString& name, std::vector<GridColumn> columns,
               std::function<std::size_t(const Job&)> rows, Kind kind);
  void show(std::size_t kind);
  void add();
  void remove();
  void readSlidesCsv();
  void writeSlidesCsv();

  Session& session_;
  std::vector<Kind> kinds_;
  std::size_t shown_ = 0;
  QHBoxLayout* head_;
  QStackedWidget* tables_;
  QPushButton* in_;
  QPushButton* out_;
};

}  // namespace pp
