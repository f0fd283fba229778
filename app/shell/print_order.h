// What is to be printed, by value: the window goes on while it is.
#pragma once

#include <QDir>
#include <QPrinter>
#include <QStringList>
#include <memory>
#include <utility>
#include <vector>

#include "app/session/session.h"
#include "pictures/paper/print.h"

namespace pp {

struct PrintKind {
  Pages pages;
  const char* words;
  enum class Needs { Parts, Plan, Place, Machining, Banding, Finish, Order, Shape } needs;
};
// In the order of Pages.
constexpr PrintKind kPrintKinds[] = {
    {Pages::PartsList, QT_TR_NOOP("Parts list"), PrintKind::Needs::Parts},
    {Pages::Sheets, QT_TR_NOOP("Sheet drawings"), PrintKind::Needs::Plan},
    {Pages::CuttingList, QT_TR_NOOP("Cutting list"), PrintKind::Needs::Plan},
    {Pages::Labels, QT_TR_NOOP("Labels, one a piece"), PrintKind::Needs::Parts},
    {Pages::MeasuringSheet, QT_TR_NOOP("Measuring sheet"), PrintKind::Needs::Place},
    {Pages::ShoppingList, QT_TR_NOOP("Shopping list"), PrintKind::Needs::Parts},
    {Pages::Machining, QT_TR_NOOP("Machining by setting"), PrintKind::Needs::Machining},
    {Pages::Banding, QT_TR_NOOP("Banding by roll"), PrintKind::Needs::Banding},
    {Pages::Finishing, QT_TR_NOOP("Finishing by coat"), PrintKind::Needs::Finish},
    {Pages::Assembly, QT_TR_NOOP("Assembly, step by step"), PrintKind::Needs::Order},
    {Pages::Installing, QT_TR_NOOP("Into the van, in place"), PrintKind::Needs::Order},
    {Pages::Templates, QT_TR_NOOP("Templates, full size"), PrintKind::Needs::Shape}};

struct PrintOrder {
  std::shared_ptr<const Job> job;
  std::shared_ptr<const Breakdown> breakdown;
  PlanShown plan;  // with no plan where it is not of the job as it is
  Paper paper = Paper::A4;
  int usedLabels = 0;
  std::vector<Pages> wanted;
  std::shared_ptr<const ShoppingList> shopping = {};
  std::vector<ShopFinish> finishes = {};

  using Outcome = std::pair<QStringList, std::optional<Problem>>;
  // Writes one after the other; the names of those that were, and what stopped the next.
  Outcome write(const QDir& folder, const QString& stem, const PrintWatch& watch) const;
  // The same on a printer, a print job each, since the papers lie differently.
  Outcome print(QPrinter& printer, const QString& stem, const PrintWatch& watch) const;
  // One kind of pages alone.
  std::optional<Problem> draw(Pages pages, QPrinter& printer, const PrintWatch& watch) const;

 private:
  // With what the pages are made from as long as the work goes on.
  std::optional<Problem> with(
      Pages pages, const std::function<std::optional<Problem>(const PrintInput&)>& act) const;
};

}  // namespace pp
