// One line or one length that is asked for at a step.
#pragma once

#include <QDialog>
#include <functional>

#include "app/fields/field.h"

namespace pp {

class AskDialog : public QDialog {
  Q_OBJECT
 public:
  // `take`: what is typed; what it returns is wrong with it, and nothing when it was taken.
  AskDialog(const QString& title, const QString& question, const QString& name,
            const QString& before, std::function<QString(const QString&)> take,
            QWidget* parent = nullptr);
};

}  // namespace pp
