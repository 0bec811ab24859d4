<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\CheckSite;
use App\Models\Site;
use Illuminate\Console\Command;

final class Check extends Command
{
    protected $signature = 'heronstem:check {--site= : key of one site} {--json : one JSON document}';

    protected $description = 'Check the invariants of the stored sites; exits 1 when one is broken';

    public function handle(CheckSite $check): int
    {
        $key = $this->option('site');
        $sites = Site::query()
            ->when(is_string($key) && $key !== '', fn ($query) => $query->where('key', $key))
            ->orderBy('id')
            ->get();
        if ($sites->isEmpty()) {
            $this->error('There is no such site.');

            return self::FAILURE;
        }
        $found = $unanswered = [];
        foreach ($sites as $site) {
            foreach ($check->unanswered($site) as $address) {
                $unanswered[] = ['site' => $site->key, ...$address];
            }
            foreach ($check->violations($site) as $violation) {
                $found[] = ['site' => $site->key, ...$violation];
            }
        }
        if ($this->option('json')) {
            $this->output->writeln(
                json_encode(
                    ['ok' => $found === [], 'violations' => $found, 'unanswered' => $unanswered],
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
                ),
            );
        } else {
            foreach ($found as $violation) {
                $this->line("{$violation['site']}  {$violation['invariant']}: {$violation['what']}");
            }
            foreach ($unanswered as $address) {
                $this->line("{$address['site']}  {$address['address']} was live, and nothing answers there now: {$address['why']}");
            }
            $this->line($found === [] ? 'Every invariant holds on '.$sites->pluck('key')->implode(', ').'.' : count($found).' broken.');
        }

        return $found === [] ? self::SUCCESS : self::FAILURE;
    }
}
