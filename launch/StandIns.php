<?php

declare(strict_types=1);

namespace Launch;

/** What stands in for the world outside: other people's sites, and a search engine that is told of changes. */
final class StandIns
{
    /** @param  list<int>  $ports  of the sites, then of the engine */
    public function __construct(private readonly string $root, private readonly string $name, private readonly array $ports)
    {
    }

    public static function on(string $root, string $name, int $from): self
    {
        $web = Ports::free($from);

        return new self($root, $name, [$web, Ports::free($web + 1)]);
    }

    /** @return array<string, string> what the application has to know */
    public function settings(): array
    {
        return [
            'HERONSTEM_STAND_IN' => "http://127.0.0.1:{$this->ports[0]}",
            'HERONSTEM_INDEX_NOW' => "http://127.0.0.1:{$this->ports[1]}/indexnow",
        ];
    }

    /** @return list<int> */
    public function ports(): array
    {
        return $this->ports;
    }

    public function start(Processes $processes): void
    {
        foreach ($this->commands() as $label => $command) {
            $processes->start($label, $command, $this->environment());
        }
    }

    /** @return array<string, list<string>> by label */
    public function commands(): array
    {
        return [
            "stand-in-web-{$this->name}" => [PHP_BINARY, '-S', "127.0.0.1:{$this->ports[0]}", "{$this->root}/simulators/web.php"],
            "stand-in-engine-{$this->name}" => [PHP_BINARY, '-S', "127.0.0.1:{$this->ports[1]}", "{$this->root}/simulators/engine.php"],
        ];
    }

    /** @return array<string, string> */
    public function environment(): array
    {
        return ['ENGINE_LOG' => "{$this->root}/var/{$this->name}-storage/app/told-engines.jsonl"];
    }
}
