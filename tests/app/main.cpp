#include <gtest/gtest.h>

#include <QApplication>

#include "app/shell/main_window.h"

int main(int argc, char** argv) {
  QApplication application(argc, argv);
  pp::dressUp();
  testing::InitGoogleTest(&argc, argv);
  return RUN_ALL_TESTS();
}
