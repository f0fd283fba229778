// What has to be bought, for this job or for all that need something, and what this one costs.
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>

#include "app/fields/field.h"
#include "app/grid/table.h"
#include "app/session/later.h"
#include "app/session/session.h"
#include "app/shop/buying_model.h"

namespace pp {

class BuyingDialog : public QDialog {
  Q_OBJECT
 public:
  explicit BuyingDialog(Session& session, QWidget* parent = nullptr);
  const ShoppingList& list() const { return model_->list(); }
  // Writes what is shown, or says why it cannot.
  bool writeCsv(const QString& path);
  bool writePage(const QString& path);

 private:
  QLayout* makeHead();
  QWidget* makeCost();
  QLayout* makeFoot();
  void follow();
  void sayCost(const JobWants& wants, const ShopGoods& goods);
  void saySum();
  void setCosting(const QString& what, const std::function<void(Costing&)>& set);
  void ask(const QString& title, const QString& filter, const QString& suffix,
           bool (BuyingDialog::*write)(const QString&));
  void bookIn();
  void forget();

  Session& session_;
  BuyingModel* model_;
  Table* table_;
  QComboBox* scope_;
  QPushButton* forget_;
  QSpinBox* spare_;
  QSpinBox* hours_;
  QSpinBox* minutes_;
  QLineEdit* rate_;
  QSpinBox* margin_;
  Label* lines_;
  Label* price_;
  Label* sum_;
  ProblemLine* problem_;
  Later later_{[this] { follow(); }, this};
};

}  // namespace pp
