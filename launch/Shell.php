<?php

declare(strict_types=1);

namespace Launch;

/** Runs other programs and waits for them. */
final class Shell
{
    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $env  added to the environment
     * @return int its exit code; output goes where ours goes
     */
    public static function run(array $command, array $env = []): int
    {
        $process = proc_open($command, [], $pipes, null, [...getenv(), ...$env]);

        return is_resource($process) ? proc_close($process) : 127;
    }

    /**
     * Runs quietly; what it said is shown only when it fails.
     *
     * @param  list<string>  $command
     * @param  array<string, string>  $env
     */
    public static function must(array $command, string $what, array $env = [], ?string $input = null): string
    {
        $out = tempnam(sys_get_temp_dir(), 'heronstem');
        $in = $input === null ? ['file', '/dev/null', 'r'] : ['pipe', 'r'];
        $process = proc_open($command, [0 => $in, 1 => ['file', $out, 'w'], 2 => ['file', $out, 'a']], $pipes, null, [...getenv(), ...$env]);
        if ($input !== null && is_resource($process)) {
            fwrite($pipes[0], $input);
            fclose($pipes[0]);
        }
        $code = is_resource($process) ? proc_close($process) : 127;
        $said = trim((string) file_get_contents($out));
        unlink($out);
        if ($code !== 0) {
            throw new Failed("$what failed (exit code $code):\n$said");
        }

        return $said;
    }

    /**
     * Runs some beside each other, quietly.
     *
     * @param  array<string, list<string>>  $commands  by what they are called
     * @return \Generator<string, string|null> as they end: what each said that failed; null for one that did not
     */
    public static function beside(array $commands, int $atOnce): \Generator
    {
        $running = [];
        while ($commands !== [] || $running !== []) {
            foreach (array_slice($commands, 0, $atOnce - count($running)) as $name => $command) {
                $out = tempnam(sys_get_temp_dir(), 'heronstem');
                $streams = [0 => ['file', '/dev/null', 'r'], 1 => ['file', $out, 'w'], 2 => ['file', $out, 'a']];
                $running[$name] = [proc_open($command, $streams, $pipes), $out];
                unset($commands[$name]);
            }
            usleep(50_000);
            foreach ($running as $name => [$process, $out]) {
                $status = is_resource($process) ? proc_get_status($process) : ['running' => false, 'exitcode' => 127];
                if (! $status['running']) {
                    $said = trim((string) file_get_contents($out));
                    unlink($out);
                    unset($running[$name]);
                    yield $name => $status['exitcode'] === 0 ? null : "$name failed (exit code {$status['exitcode']}):\n$said";
                }
            }
        }
    }

    public static function has(string $program): bool
    {
        return trim((string) shell_exec('command -v '.escapeshellarg($program).' 2>/dev/null')) !== '';
    }

    /** @return list<string> a prefix that runs a command as root */
    public static function asRoot(): array
    {
        if (posix_geteuid() === 0) {
            return [];
        }

        return self::has('sudo')
            ? ['sudo']
            : throw new Failed('Packages are missing and can be installed only by root; run this as root or install sudo.');
    }
}
