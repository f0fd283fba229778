#include "tests/faults/child.h"

#include <sys/wait.h>
#include <unistd.h>

#include <array>
#include <chrono>
#include <csignal>
#include <iostream>
#include <thread>

namespace pp::test {

double secondsNow() {
  return std::chrono::duration<double>(std::chrono::steady_clock::now().time_since_epoch()).count();
}

bool Child::wasKilled() const {
  return WIFSIGNALED(status) && WTERMSIG(status) == SIGKILL;
}

bool Child::endedWell() const {
  return WIFEXITED(status) && WEXITSTATUS(status) == 0;
}

Child run(const std::string& program, const std::vector<std::string>& arguments, double killAfter,
          From from) {
  Child out;
  int pipe[2];
  if (::pipe(pipe) != 0) return out;
  const pid_t child = ::fork();
  if (child == 0) {
    ::dup2(pipe[1], 1);
    std::vector<char*> argv = {const_cast<char*>(program.c_str())};
    for (const std::string& one : arguments) argv.push_back(const_cast<char*>(one.c_str()));
    argv.push_back(nullptr);
    ::execv(program.c_str(), argv.data());
    ::_exit(127);
  }
  ::close(pipe[1]);
  std::thread killer;
  const auto begin = [&] {
    if (killAfter <= 0 || killer.joinable()) return;
    killer = std::thread([&out, child, killAfter] {
      std::this_thread::sleep_for(std::chrono::duration<double>(killAfter));
      out.killedAt = secondsNow();
      ::kill(child, SIGKILL);
    });
  };
  if (from == From::Start) begin();
  char buffer[4096];
  for (ssize_t n; (n = ::read(pipe[0], buffer, sizeof buffer)) > 0;) {
    out.said.append(buffer, static_cast<std::size_t>(n));
    begin();
  }
  ::close(pipe[0]);
  if (killer.joinable()) killer.join();
  ::waitpid(child, &out.status, 0);
  return out;
}

int allRounds(const std::vector<std::string>& given, int usual,
              const std::function<int(const std::string& program, std::uint64_t seed)>& round) {
  int rounds = usual;
  std::uint64_t seed = 1;
  for (std::size_t i = 0; i + 1 < given.size(); i += 2) {
    if (given[i] == "--rounds") rounds = std::stoi(given[i + 1]);
    if (given[i] == "--seed") seed = std::stoull(given[i + 1]);
  }
  std::array<char, 4096> program{};
  if (::readlink("/proc/self/exe", program.data(), program.size() - 1) < 0) return 1;
  int bad = 0;
  for (int i = 0; i < rounds; ++i)
    bad += round(program.data(), seed + static_cast<std::uint64_t>(i));
  std::cout << rounds - bad << " of " << rounds << " rounds: nothing lost\n";
  return bad == 0 ? 0 : 1;
}

}  // namespace pp::test
