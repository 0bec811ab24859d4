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
