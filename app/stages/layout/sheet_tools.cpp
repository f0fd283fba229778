#include "app/stages/layout/sheet_tools.h"

#include <QHBoxLayout>
#include <QSignalBlocker>

#include "app/fields/field.h"
#include "pictures/paint/look.h"

namespace pp {

SheetTools::SheetTools(SheetsView& sheets, QWidget* parent) : QWidget(parent), sheets_(sheets) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  find_ = new QLineEdit;
  find_->setAccessibleName(tr("Find a code"));
  find_->setPlaceholderText(tr("Find a code  F"));
  find_->setFixedWidth(130);
  row->addWidget(find_);
  row->addWidget(new Label(tr("Cuts in order")));
  cuts_ = new QSlider(Qt::Horizontal);
  cuts_->setAccessibleName(tr("Cuts in order"));
  cuts_->setFixedWidth(240);
  row->addWidget(cuts_);
  cut_ = new Label;
  cut_->setAccessibleName(tr("Cut"));
  cut_->setFont(look::text(look::kBody));
  row->addWidget(cut_, 1);
  const auto button = [&](const QString& words, auto act) {
    auto* made = new QPushButton(words);
    made->setAccessibleName(words);
    connect(made, &QPushButton::clicked, this, act);
    row->addWidget(made);
    return made;
  };
  one_ = button(tr("One sheet"), [this] { sheets_.showOneOrAll(); });
  button(tr("Larger"), [this] { sheets_.setZoom(sheets_.zoom() * SheetsView::kZoomStep); });
  button(tr("Smaller"), [this] { sheets_.setZoom(sheets_.zoom() / SheetsView::kZoomStep); });
  connect(find_, &QLineEdit::textChanged, this, [this](const QString& text) {
    const bool found = text.trimmed().isEmpty() || sheets_.find(text);
    emit said(found ? QString()
                    : tr("No part on the sheets has %1 in its code.").arg(text.trimmed()));
  });
  connect(find_, &QLineEdit::returnPressed, this, [this] { sheets_.find(find_->text()); });
  connect(cuts_, &QSlider::valueChanged, this, &SheetTools::follow);
  connect(&sheets_, &SheetsView::zoomed, this, &SheetTools::follow);
}

void SheetTools::follow() {
  const QSignalBlocker quiet(cuts_);
  cuts_->setRange(0, sheets_.cutCount());
  const int cut = cuts_->value();
  if (sheets_.cutsShown() != cut) sheets_.setCutsShown(cut);
  cut_->setText(
      cut == 0 ? tr("none drawn")
               : tr("%1 of %2   %3").arg(cut).arg(sheets_.cutCount()).arg(sheets_.cutWords(cut)));
  one_->setText(sheets_.only() ? tr("All sheets") : tr("One sheet"));
}

void SheetTools::beginFinding() {
  find_->setFocus();
  find_->selectAll();
}

}  // namespace pp
