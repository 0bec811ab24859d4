<?php

declare(strict_types=1);

namespace Launch;

/** What stands in for the world outside: other people's sites, a search engine that is told of changes, everybody's mailbox. */
final class StandIns
{
    /** @param  list<int>  $ports  of the sites, of the engine, of the mailbox: to take in, and to read */
    public function __construct(private readonly string $root, private readonly string $name, private readonly array $ports)
    {
    }

    public static function on(string $root, string $name, int $from): self
    {
        $ports = [];
        for ($i = 0; $i < 4; $i++) {
            $ports[] = $from = Ports::free($from);
            $from++;
        }

        return new self($root, $name, $ports);
    }

    /** @return array<string, string> what the application has to know */
    public function settings(): array
    {
        return [
            'HERONSTEM_STAND_IN' => "http://127.0.0.1:{$this->ports[0]}",
            'HERONSTEM_INDEX_NOW' => "http://127.0.0.1:{$this->ports[1]}/indexnow",
            'HERONSTEM_MAIL' => "smtp://127.0.0.1:{$this->ports[2]}?auto_tls=false",
            'HERONSTEM_MAIL_FROM' => 'editor@skerrivane.example',
        ];
    }

    /** Where the mail is read that was sent. */
    public function mailbox(): string
    {
        return "http://127.0.0.1:{$this->ports[3]}";
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
            "stand-in-mailbox-{$this->name}" => [
                PHP_BINARY,
                "{$this->root}/simulators/mailbox.php",
                (string) $this->ports[2],
                (string) $this->ports[3],
                "{$this->root}/var/{$this->name}-storage/app/mails.jsonl",
            ],
            "stand-in-engine-{$this->name}" => [PHP_BINARY, '-S', "127.0.0.1:{$this->ports[1]}", "{$this->root}/simulators/engine.php"],
        ];
    }

    /** @return array<string, string> */
    public function environment(): array
    {
        return ['ENGINE_LOG' => "{$this->root}/var/{$this->name}-storage/app/told-engines.jsonl"];
    }
}
