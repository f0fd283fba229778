// What the shop owns and knows, whatever the job, a leaf each: pieces of the rack, materials, the
// lots that were measured, bandings, hardware, finishes; and its house rules.
#pragma once

#include <QDialog>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QSortFilterProxyModel>
#include <QStackedWidget>
#include <vector>

#include "app/fields/field.h"
#include "app/grid/table.h"
#include "app/shop/store_model.h"

namespace pp {

class ShopDialog : public QDialog {
  Q_OBJECT
 public:
  explicit ShopDialog(Session& session, QWidget* parent = nullptr);
  // Writes labels for the pieces shown that have a number, or says why it cannot.
  bool writeLabels(const QString& path);

 signals:
  void leafShown(int leaf);

 private:
  void addLeaf(const QString& choice, std::unique_ptr<StoreRows> rows, int wide);
  void showLeaf(std::size_t leaf);
  void removeChosen();
  void askForLabels();
  void keepRules();
  void follow();

  struct Leaf {
    QPushButton* choice;
    Table* table;
    StoreModel* model;
    QSortFilterProxyModel* shown;  // sorted, and what is sought of it
    // The row that is chosen, of all there are; -1: none.
    int chosen() const { return shown->mapToSource(table->currentIndex()).row(); }
  };
  Session& session_;
  std::vector<Leaf> leaves_;
  std::size_t shown_ = 0;
  QHBoxLayout* head_;
  QStackedWidget* tables_;
  QLineEdit* find_;
  QPushButton* add_;
  QPushButton* remove_;
  QPushButton* undo_;
  QPushButton* redo_;
  Label* rules_;
  ProblemLine* problem_;
};

}  // namespace pp
