#include "app/fields/question.h"

#include <QFileDialog>
#include <QFileInfo>
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

QString withEnding(QWidget* parent, const QString& path, const QString& suffix) {
  const QString ending = QLatin1Char('.') + suffix;
  if (path.isEmpty() || path.endsWith(ending)) return path;
  const QString out = path + ending;
  const bool isThere = QFileInfo::exists(out) || QFileInfo(out).isSymLink();
  if (isThere &&
      ask(parent, QObject::tr("There already"), QObject::tr("%1 is there already.").arg(out),
          {QObject::tr("Write over it"), QObject::tr("Cancel")}) != 0)
    return {};
  return out;
}

void askWhereToWrite(QWidget* parent, const QString& title, const QString& filter,
                     const QString& suffix, const QString& name,
                     const std::function<void(const QString&)>& then) {
  auto* dialog = new QFileDialog(parent, title, {}, filter);
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  dialog->setAcceptMode(QFileDialog::AcceptSave);
  dialog->selectFile(name);
  QObject::connect(dialog, &QFileDialog::fileSelected, parent,
                   [parent, suffix, then](const QString& path) {
                     const QString whole = withEnding(parent, path, suffix);
                     if (!whole.isEmpty()) then(whole);
                   });
  dialog->open();
}

}  // namespace pp
