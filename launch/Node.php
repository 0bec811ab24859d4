<?php

declare(strict_types=1);

namespace Launch;

/** What one node runs: its web server and, beside it, its workers. Started in order, and started again when one of them is gone. */
final readonly class Node
{
    /**
     * @param  string  $name  that its processes bear
     * @param  list<int>  $ports
     * @param  int  $requests  that PHP answers at once
     * @param  int  $watch  the port for those who watch
     * @param  array<string, list<string>>  $workers  commands by label
     * @param  array<string, string>  $more  for the workers to know
     */
    public function __construct(
        private Application $application,
        private Processes $processes,
        private string $name,
        private array $ports,
        private int $requests,
        private int $watch,
        private array $workers,
        private array $more = [],
        private ?Settings $settings = null,
    ) {
    }

    /**
     * What every node does in the background.
     *
     * @param  int  $jobs  at once
     * @param  bool  $byRedis  some of them wait in Redis
     * @return array<string, list<string>> commands by label
     */
    public static function workers(int $jobs, bool $byRedis = false): array
    {
        $workers = ['forget' => ['heronstem:forget'], 'schedule' => ['schedule:work']];
        $how = ['--sleep=1', '--tries=3', '--memory=512', '--timeout=3600'];
        for ($n = 1; $n <= $jobs; $n++) {
            // Named, so that several of them are told apart.
            $workers["queue-$n"] = ['queue:work', "--name=$n", ...$how];
            if ($byRedis) {
                $workers["redis-$n"] = ['queue:work', 'redis', "--name=redis-$n", ...$how];
            }
        }

        if ($jobs > 0) {
            // Large changes, for which somebody waits, beside everything else.
            $workers['changes'] = ['queue:work', '--queue=changes', '--name=changes', ...$how];
        }

        return array_map(static fn (array $command): array => [PHP_BINARY, 'artisan', ...$command], $workers);
    }

    public function start(): void
    {
        $this->serve();
        array_map($this->work(...), array_keys($this->workers));
    }

    /** @return list<string> labels of what was gone, and is there again */
    public function revive(): array
    {
        $gone = [];
        if (array_filter($this->web(), $this->processes->isRunning(...)) !== $this->web()) {
            array_map($this->processes->end(...), $this->web());
            $this->serve();
            $gone = $this->web();
        }
        foreach (array_keys($this->workers) as $label) {
            if (! $this->processes->isRunning($label)) {
                $this->processes->end($label);
                $this->work($label);
                $gone[] = $label;
            }
        }

        return $gone;
    }

    /** Takes up code that changed: requests that are being answered are answered to their end. */
    public function reload(): void
    {
        $this->application->prepare();
        [$php, $nginx] = $this->web();
        $this->processes->signal($php, SIGUSR2);
        $this->processes->signal($nginx, SIGHUP);
        foreach (array_keys($this->workers) as $label) {
            // They end what they are at, and are started again when it is seen that they are gone.
            $this->processes->signal($label, SIGTERM);
        }
    }

    /** @return array{string, string} labels of its servers */
    private function web(): array
    {
        return WebServer::labels($this->name);
    }

    private function serve(): void
    {
        $this->application->serve($this->processes, $this->ports, $this->name, $this->requests, $this->watch, $this->settings);
    }

    private function work(string $label): void
    {
        $this->processes->start($label, $this->workers[$label], [...$this->application->environment(), ...$this->more], $this->application->as);
    }
}
