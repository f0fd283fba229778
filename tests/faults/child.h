// A program that is run, listened to and killed.
#pragma once

#include <cstdint>
#include <functional>
#include <string>
#include <vector>

namespace pp::test {

// Seconds of a clock that all processes of the machine share.
double secondsNow();

struct Child {
  std::string said;
  int status = 0;       // as waitpid() gives it
  double killedAt = 0;  // secondsNow(); 0: it was not
  bool wasKilled() const;
  bool endedWell() const;
};

enum class From { Start, FirstWords };

// Until it ends; killed so many seconds after its start or its first words, where that is not 0.
Child run(const std::string& program, const std::vector<std::string>& arguments,
          double killAfter = 0, From from = From::Start);

// As many rounds as `--rounds N` asks for, else `usual`, from `--seed N` on. Each is given this
// program and its seed, and returns 0 where it was good. Says how many were, and returns what
// main() does.
int allRounds(const std::vector<std::string>& given, int usual,
              const std::function<int(const std::string& program, std::uint64_t seed)>& round);

}  // namespace pp::test
