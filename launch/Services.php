<?php

declare(strict_types=1);

namespace Launch;

/** What of a demo runs beside it: started in order, and started again when one of them is gone. */
final class Services
{
    private const SERVERS = ['editor' => 6, 'site' => 3];

    /** @param  list<int>  $ports  of the editor, then of the sites */
    public function __construct(
        private readonly Application $application,
        private readonly Processes $processes,
        private readonly array $ports,
        private readonly StandIns $standIns,
    ) {
    }

    public function start(): void
    {
        $this->application->serve($this->processes, [$this->ports[0]], 'editor', self::SERVERS['editor']);
        $this->application->serve($this->processes, array_slice($this->ports, 1), 'site', self::SERVERS['site']);
        foreach (array_keys($this->workers()) as $label) {
            $this->work($label);
        }
    }

    /** Starts again what is gone: a worker, or a server that has lost one of the processes that answer. */
    public function revive(): void
    {
        foreach ($this->ports as $n => $port) {
            $label = $n === 0 ? 'editor' : 'site';
            if (! $this->processes->isWhole("$label-$port")) {
                $this->processes->end("$label-$port");
                $this->application->serve($this->processes, [$port], $label, self::SERVERS[$label]);
            }
        }
        foreach (array_keys($this->workers()) as $label) {
            if (! $this->processes->isRunning($label)) {
                $this->processes->end($label);
                $this->work($label);
            }
        }
    }

    private function work(string $label): void
    {
        $this->processes->start(
            $label,
            $this->workers()[$label],
            [...$this->application->environment(), ...$this->standIns->environment()],
            $this->application->as,
        );
    }

    /** @return array<string, list<string>> */
    private function workers(): array
    {
        return [
            'queue' => [PHP_BINARY, 'artisan', 'queue:work', '--sleep=1', '--tries=3', '--memory=512', '--timeout=3600'],
            'schedule' => [PHP_BINARY, 'artisan', 'schedule:work'],
            ...$this->standIns->commands(),
        ];
    }
}
