#include "app/sentences/sentence_view.h"

#include "app/fields/sum_field.h"

#include <QFocusEvent>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPointer>
#include <QVBoxLayout>
#include <utility>

#include "app/fields/field.h"
#include "app/sentences/flow_layout.h"
#include "core/length/parse.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {

SentenceView::SentenceView(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(10);
}

void SentenceView::setParagraphs(std::vector<Paragraph> paragraphs, const LengthStyle& style) {
  session_.modes().end(this);
  expire();
  style_ = style;
  QString focused;
  if (QWidget* focus = focusWidget(); focus != nullptr && focus->hasFocus())
    focused = focus->accessibleName();
  words_.clear();
  while (QLayoutItem* item = layout()->takeAt(0)) {
    if (QWidget* old = item->widget()) {
      old->hide();
      old->deleteLater();
    }
    delete item;
  }
  for (const Paragraph& paragraph : paragraphs) {
    auto* block = new QWidget;
    new FlowLayout(block);
    for (const Phrase& phrase : paragraph) add(block, phrase);
    layout()->addWidget(block);
  }
  static_cast<QVBoxLayout*>(layout())->addStretch(1);
  QWidget* before = tabAfter_;
  for (QPushButton* word : words_) {
    if (before != nullptr && before->window() == word->window()) setTabOrder(before, word);
    before = word;
  }
  const QString wanted = std::exchange(wanted_, {});
  for (QPushButton* word : words_) {
    if (word->accessibleName() == focused) word->setFocus();
    if (!wanted.isEmpty() && word->accessibleName() == wanted) return word->click();
  }
}

void SentenceView::focusFirst() {
  if (!words_.empty()) words_.front()->setFocus();
}

void SentenceView::add(QWidget* block, const Phrase& phrase) {
  if (phrase.name.isEmpty()) {
    for (const QString& word : phrase.text.split(QLatin1Char(' '), Qt::SkipEmptyParts)) {
      auto* label = new Label(word);
      label->setFont(look::text(14));
      block->layout()->addWidget(label);
    }
    return;
  }
  auto* button = new QPushButton(unmarked(phrase.text));
  button->setObjectName(QStringLiteral("value"));
  button->setFlat(true);
  button->setCursor(Qt::PointingHandCursor);
  button->setAccessibleName(phrase.name);
  const QString off = phrase.length ? offTip(*phrase.length, style_) : QString();
  button->setToolTip(off.isEmpty() ? phrase.name : phrase.name + QLatin1Char('\n') + off);
  button->setProperty("length",
                      phrase.length ? QVariant::fromValue(phrase.length->inNm()) : QVariant());
  button->installEventFilter(this);
  connect(button, &QPushButton::clicked, this, [this, phrase, button, of = generation_] {
    if (of == generation_) pressed(phrase, button);
  });
  block->layout()->addWidget(button);
  words_.push_back(button);
}

// What is still being worked out comes first: the word is then pressed where it says what is.
void SentenceView::pressed(const Phrase& phrase, QWidget* button) {
  const std::uint64_t said = generation_;
  const std::string about = session_.pointing().selection().assembly;
  session_.finish();
  if (said == generation_) return press(phrase, button);
  if (about == session_.pointing().selection().assembly) wanted_ = phrase.name;
}

void SentenceView::press(const Phrase& phrase, QWidget* button) {
  if (phrase.choices.isEmpty()) return editInPlace(phrase, button);
  auto* menu = new QMenu(this);
  menu->setAttribute(Qt::WA_DeleteOnClose);
  menu->setAccessibleName(phrase.name);
  for (int i = 0; i < phrase.choices.size(); ++i) {
    QAction* action = menu->addAction(unmarked(phrase.choices[i]));
    action->setCheckable(true);
    action->setChecked(i == phrase.chosen);
    connect(action, &QAction::triggered, this, [this, phrase, i, of = generation_] {
      if (of != generation_) return;
      emit changed(phrase.name, [phrase, i](Edited& edited) -> Problems {
        phrase.choose(edited, i);
        return {};
      });
    });
    if (i == phrase.chosen) menu->setActiveAction(action);
  }
  session_.modes().begin(this, Modes::About::Drawing, [menu = QPointer(menu)] {
    if (menu) menu->close();
  });
  menu->popup(button->mapToGlobal(QPoint(0, button->height())));
}

void SentenceView::editInPlace(const Phrase& phrase, QWidget* button) {
  QWidget* block = button->parentWidget();
  // Where a list of sizes is typed there is no one length that it comes to.
  QLineEdit* field = nullptr;
  if (phrase.length)
    field = new SumField(style_, qMax(96, button->width() + 24));
  else
    field = new QLineEdit;
  field->setText(phrase.length ? typed(*phrase.length, style_) : phrase.typed);
  field->setAccessibleName(tr("%1, new value").arg(phrase.name));
  if (!phrase.length) field->setFixedWidth(qMax(96, button->width() + 24));
  // Same place in the flow: take everything out, put it back with the field after the button.
  QList<QWidget*> order;
  while (QLayoutItem* item = block->layout()->takeAt(0)) {
    order << item->widget();
    delete item;
  }
  order.insert(order.indexOf(button) + 1, field);
  for (QWidget* widget : order) block->layout()->addWidget(widget);
  button->hide();
  field->show();
  field->selectAll();
  field->setFocus();
  field->installEventFilter(this);
  connect(field, &QLineEdit::returnPressed, this, [this, phrase, field, of = generation_] {
    if (of == generation_) commit(phrase, field->text());
  });
  session_.modes().begin(this, Modes::About::Drawing,
                         [field = QPointer(field), button = QPointer(button)] {
                           if (!field || !button) return;
                           const bool typing = field->hasFocus();
                           field->hide();
                           field->deleteLater();
                           button->show();
                           if (typing) button->setFocus();
                         });
}

void SentenceView::commit(const Phrase& phrase, const QString& text) {
  if (phrase.setText) {
    emit changed(phrase.name,
                 [phrase, text](Edited& edited) { return phrase.setText(edited, text); });
    return;
  }
  const auto length = parseExpression(text.toStdString(), style_.unit);
  if (!length) return emit refused(length.problems());
  emit changed(phrase.name, [phrase, value = length.value()](Edited& edited) -> Problems {
    phrase.setLength(edited, value);
    return {};
  });
}

bool SentenceView::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::FocusIn) {
    const QVariant nm = watched->property("length");
    if (nm.isValid())
      emit touched(static_cast<QWidget*>(watched)->accessibleName(), Length::nm(nm.toLongLong()));
  }
  if (event->type() == QEvent::KeyPress &&
      static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape &&
      qobject_cast<QLineEdit*>(watched) != nullptr) {
    session_.modes().end(this);
    return true;
  }
  return QWidget::eventFilter(watched, event);
}

}  // namespace pp
