<?php

declare(strict_types=1);

namespace Launch;

/** What of a demo runs beside it: started in order, and started again when one of them is gone. */
final class Services
{
    private const NODE = 'demo';

    /** Requests answered at once. */
    private const WORKERS = 8;

    /** @param  list<int>  $ports  of the editor, then of the sites */
    public function __construct(
        private readonly Application $application,
        private readonly Processes $processes,
        private readonly array $ports,
        private readonly StandIns $standIns,
        private readonly int $watch,
    ) {
    }

    public function start(): void
    {
        $this->application->serve($this->processes, $this->ports, self::NODE, self::WORKERS, $this->watch);
        foreach (array_keys($this->workers()) as $label) {
            $this->work($label);
        }
    }

    /** Starts again what is gone: a worker or a server; both see to their own processes. */
    public function revive(): void
    {
        $labels = ['php-'.self::NODE, 'nginx-'.self::NODE];
        if (array_filter($labels, $this->processes->isRunning(...)) !== $labels) {
            array_map($this->processes->end(...), $labels);
            $this->application->serve($this->processes, $this->ports, self::NODE, self::WORKERS, $this->watch);
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
            'forget' => [PHP_BINARY, 'artisan', 'heronstem:forget'],
            'schedule' => [PHP_BINARY, 'artisan', 'schedule:work'],
            ...$this->standIns->commands(),
        ];
    }
}
