// Parts: the break-down as a list, and one part in full.
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>

#include "app/fields/field.h"
#include "app/grid/table.h"
#include "app/sentences/change.h"
#include "app/sentences/sentence_view.h"
#include "app/stages/parts/part_view.h"
#include "app/stages/parts/parts_model.h"
#include "app/stages/stage.h"

namespace pp {

class PartsStage : public Stage {
  Q_OBJECT
 public:
  explicit PartsStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Parts"); }
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return table_; }

 protected:
  void refresh() override;

 private:
  void arrange();
  void followSelection();
  void showPart(const Part* part);
  void choose(int row);
  void addLoose();
  QWidget* makeChoices();
  void toggleChoices();
  const Part* chosen() const;  // in the table
  void showOpening();
  void readCsv();
  void writeCsv();

 public:
  // Takes a parts list as boards added by hand, or says what is wrong with it and takes nothing.
  bool readCsvFile(const QString& path);
  bool writeCsvFile(const QString& path);

 private:
  void removeLoose();

  PartsModel* model_;
  Table* table_;
  QLabel* total_;
  QLineEdit* search_;
  QComboBox* order_;
  QWidget* choicesBox_;
  SentenceView* choices_;
  PartView* part_;
  Table* loose_;
  ProblemLine* problem_;
};

}  // namespace pp
