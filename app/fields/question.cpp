#include "app/fields/question.h"

#include <QFileDialog>
#include <QMessageBox>
#include <QPushButton>
#include <vector>

#include "app/fields/field.h"

namespace pp {

int ask(QWidget* parent, const QString& title, const QString& text, const QStringList& answers) {
  QMessageBox box(QMessageBox::NoIcon, title, text, QMessageBox::NoButton, parent);
  box.setTextFormat(Qt::PlainText);
  box.setAccessibleName(title);
  std::vector<QAbstractButton*> buttons;
  for (const QString& answer : answers)
    buttons.push_back(box.addButton(unmarked(answer), QMessageBox::ActionRole));
  box.setDefaultButton(static_cast<QPushButton*>(buttons.front()));
  box.setEscapeButton(buttons.back());
  box.exec();
  for (std::size_t i = 0; i < buttons.size(); ++i)
    if (buttons[i] == box.clickedButton()) return static_cast<int>(i);
  return static_cast<int>(answers.size()) - 1;
}

void askWhereToWrite(QWidget* parent, const QString& title, const QString& filter,
                     const QString& suffix, const QString& name,
                     const std::function<void(const QString&)>& then) {
  auto* dialog = new QFileDialog(parent, title, {}, filter);
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  dialog->setAcceptMode(QFileDialog::AcceptSave);
  dialog->setDefaultSuffix(suffix);
  dialog->selectFile(name);
  QObject::connect(dialog, &QFileDialog::fileSelected, parent, then);
  dialog->open();
}

}  // namespace pp
