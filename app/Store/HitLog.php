<?php

declare(strict_types=1);

namespace App\Store;

use App\Store\Redis\HitList;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Redirect\Resolution;

/**
 * Notes redirects that were used, addresses that were missed and what was searched: a line appended to a file, so that an answer waits for no
 * database. What is in the file outlives the process that wrote it. CountHits counts it in batches.
 */
final class HitLog
{
    /**
     * @param  string  $folder  that all processes of a node share
     * @param  HitList|null  $list  noted there first, where it is given and can be reached
     */
    public function __construct(private readonly string $folder, private readonly ?HitList $list = null)
    {
    }

    /** Stands for an address in place of a redirect: what a page had before it moved. */
    public static function at(string $key): string
    {
        return 'at '.mb_strcut($key, 0, 500);
    }

    /** How a request was answered: the redirects on its way are used, or nothing was there. */
    public function answered(Resolution $resolution, RequestOrigin $asker, int $site, AddressRules $rules): void
    {
        $used = $resolution->rules();
        foreach ($used as $rule) {
            $this->used($site, $rule, $asker);
        }
        // A former address is no rule: its uses are counted under its key.
        if ($used === [] && $resolution->isMoved($rules)) {
            $this->used($site, self::at(NormalForm::key($resolution->normal, $rules)), $asker);
        }
        if ($resolution->status === 404 && $resolution->rule === null && $resolution->sendsWith() === null && $resolution->normal !== '') {
            $this->missed($site, $resolution->normal, $asker);
        }
    }

    public function used(int $site, string $rule, RequestOrigin $asker): void
    {
        $this->append([$site, 'rule', $rule, gmdate('Y-m-d'), $asker->referrer, $asker->isBot, time()]);
    }

    public function missed(int $site, string $address, RequestOrigin $asker): void
    {
        $this->append([$site, 'missed', mb_strcut($address, 0, 500), gmdate('Y-m-d'), $asker->referrer, $asker->isBot, time()]);
    }

    /** @param  string  $outcome  found, near or nothing */
    public function searched(int $site, string $words, string $outcome, RequestOrigin $asker): void
    {
        $this->append([$site, 'searched', $words, gmdate('Y-m-d'), $outcome, $asker->isBot, time()]);
    }

    /** @return int bytes that were noted and wait to be counted */
    public function waiting(): int
    {
        clearstatcache();

        $files = array_sum(array_map(static fn (string $file): int => (int) @filesize($file), glob($this->path('*')) ?: []));

        return $files + ($this->list?->waiting() ?? 0);
    }

    /**
     * Takes what was noted since the last time out of the way of those who note.
     *
     * @return list<string> names of what is to be counted
     */
    public function batches(): array
    {
        $log = $this->path('log');
        if (is_file($log) && @filesize($log) > 0) {
            // Somebody else who counts may have taken it away a moment ago.
            @rename($log, $this->path('batch-'.bin2hex(random_bytes(8))));
        }

        return [...glob($this->path('batch-*')) ?: [], ...$this->list?->batches() ?? []];
    }

    /** What was counted is needed no more. */
    public function drop(string $batch): void
    {
        str_starts_with($batch, '/') ? @unlink($batch) : $this->list?->drop($batch);
    }

    /**
     * The lines of a batch, once nobody writes to it any more.
     *
     * @return iterable<array{int, string, string, string, string, bool, int}>
     */
    public function lines(string $batch): iterable
    {
        foreach (str_starts_with($batch, '/') ? $this->linesOfFile($batch) : $this->list?->lines($batch) ?? [] as $line) {
            $read = json_decode($line, true);
            if (is_array($read) && count($read) === 7) {
                yield [(int) $read[0], (string) $read[1], (string) $read[2], (string) $read[3], (string) $read[4], (bool) $read[5], (int) $read[6]];
            }
        }
    }

    /** @return iterable<string> */
    private function linesOfFile(string $name): iterable
    {
        $file = @fopen($name, 'r');
        if ($file === false || ! flock($file, LOCK_EX)) {
            return;
        }
        while (($line = fgets($file)) !== false) {
            yield $line;
        }
        fclose($file);
    }

    /** @param  list<mixed>  $line */
    private function append(array $line): void
    {
        $text = json_encode($line, JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE)."\n";
        if ($this->list?->note($text) === true) {
            return;
        }
        for ($tries = 0; $tries < 5; $tries++) {
            $file = @fopen($this->path('log'), 'a');
            if ($file === false || ! flock($file, LOCK_SH)) {
                return; // an answer matters more than its count
            }
            clearstatcache();
            // Between opening and locking the file may have been taken away to be counted.
            if (@fileinode($this->path('log')) === (fstat($file) ?: ['ino' => null])['ino']) {
                fwrite($file, $text);
                fclose($file);

                return;
            }
            fclose($file);
        }
    }

    private function path(string $name): string
    {
        is_dir($this->folder) || @mkdir($this->folder, 0750, true);

        return "{$this->folder}/$name";
    }
}
