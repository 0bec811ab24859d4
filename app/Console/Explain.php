<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Resolvers;
use Heronstem\Core\Redirect\Resolution;
use Illuminate\Console\Command;

final class Explain extends Command
{
    use NamesSite;

    protected $signature = 'heronstem:explain {address* : addresses, or - to read them from standard input, one a line} {--site= : key of the site} {--json : one JSON object a line}';

    protected $description = 'Say how an address is answered';

    public function handle(Resolvers $resolvers): int
    {
        $site = $this->site();
        if ($site === null) {
            return self::FAILURE;
        }
        $resolver = $resolvers->for($site);
        $addresses = (array) $this->argument('address');
        $fromInput = $addresses === ['-'];
        foreach ($fromInput ? $this->lines() : $addresses as $address) {
            $resolution = $resolver->resolve((string) $address);
            $fromInput || $this->option('json')
                ? $this->output->writeln(
                    json_encode(
                        $resolution->toArray(),
                        JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE,
                    ),
                    \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
                )
                : $this->tell($resolution);
        }

        return self::SUCCESS;
    }

    private function tell(Resolution $resolution): void
    {
        $lines = ["asked     {$resolution->asked}", "normal    {$resolution->normal}"];
        foreach ($resolution->hops as $hop) {
            $lines[] = "hop {$hop->status}   {$hop->from} → {$hop->to}  ({$hop->why})";
        }
        $lines[] = "status    {$resolution->status}".($resolution->sendsWith() === null ? '' : ", sent on at once with {$resolution->sendsWith()}");
        $lines[] = 'location  '.($resolution->location ?? '–');
        $lines[] = 'page      '.($resolution->page === null ? '–' : "{$resolution->pageName} ({$resolution->page})");
        $lines[] = "why       {$resolution->why}";
        if ($resolution->onward !== null) {
            $lines[] = "then      {$resolution->onward}";
        }
        $this->output->write(implode("\n", $lines)."\n\n", false, \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
    }

    /** @return \Generator<int, string> */
    private function lines(): \Generator
    {
        while (($line = fgets(STDIN)) !== false) {
            $line = rtrim($line, "\r\n");
            if ($line !== '') {
                yield $line;
            }
        }
    }
}
