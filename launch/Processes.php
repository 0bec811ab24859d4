<?php

declare(strict_types=1);

namespace Launch;

/** Programs that run beside us: each in a process group of its own, ended by its id and never by its name. */
final class Processes
{
    /** @var list<resource> kept, since losing a handle would wait for its process @phpstan-ignore property.onlyWritten */
    private array $kept = [];

    public function __construct(private readonly string $root, private readonly string $name)
    {
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $env
     * @param  list<string>  $as  what runs it as another user
     * @param  string|null  $mark  what its title contains, for those that change theirs
     */
    public function start(string $label, array $command, array $env, array $as = [], ?string $mark = null): void
    {
        @mkdir("{$this->root}/var/log", 0750, true);
        $log = "{$this->root}/var/log/{$this->name}-$label.log";
        $process = proc_open(
            ['setsid', ...$as, ...$command],
            [0 => ['file', '/dev/null', 'r'], 1 => ['file', $log, 'w'], 2 => ['file', $log, 'a']],
            $pipes,
            $this->root,
            [...getenv(), ...$env],
        );
        if (! is_resource($process)) {
            throw new Failed("$label did not start.");
        }
        $known = $this->known();
        $known[$label] = ['pid' => proc_get_status($process)['pid'], 'command' => implode(' ', $command), 'mark' => $mark];
        $this->remember($known);
        $this->kept[] = $process;
    }

    public function isRunning(string $label): bool
    {
        $each = $this->known()[$label] ?? null;

        return $each !== null && $this->isOurs($each);
    }

    /** Tells one of them something, and not those that it started. */
    public function signal(string $label, int $signal): void
    {
        $each = $this->known()[$label] ?? null;
        if ($each !== null && $this->isOurs($each)) {
            posix_kill($each['pid'], $signal);
        }
    }

    /** Ends one, or what is left of it. */
    public function end(string $label): void
    {
        $known = $this->known();
        $each = $known[$label] ?? null;
        unset($known[$label]);
        $this->remember($known);
        if ($each === null || $this->size($each['pid']) === 0) {
            return;
        }
        posix_kill(-$each['pid'], SIGTERM);
        for ($i = 0; $i < 20 && $this->size($each['pid']) > 0; $i++) {
            usleep(100_000);
            while (pcntl_waitpid(-1, $status, WNOHANG) > 0);
        }
        posix_kill(-$each['pid'], SIGKILL);
    }

    /** Processes of a group that are alive. */
    private function size(int $group): int
    {
        $alive = 0;
        foreach (glob('/proc/[0-9]*/stat') ?: [] as $stat) {
            $fields = explode(' ', substr((string) strrchr((string) @file_get_contents($stat), ')'), 2));
            $alive += ($fields[2] ?? '') === (string) $group && $fields[0] !== 'Z' ? 1 : 0;
        }

        return $alive;
    }

    public function stop(): int
    {
        // Whoever watches the others would start them again.
        $this->isRunning('watch') && $this->end('watch');
        $ours = array_filter($this->known(), $this->isOurs(...));
        foreach ($ours as $each) {
            posix_kill(-$each['pid'], SIGTERM);
        }
        for ($i = 0; $i < 50 && array_filter($ours, $this->groupLives(...)) !== []; $i++) {
            usleep(100_000);
            while (pcntl_waitpid(-1, $status, WNOHANG) > 0);
        }
        foreach (array_filter($ours, $this->groupLives(...)) as $each) {
            posix_kill(-$each['pid'], SIGKILL);
        }
        @unlink($this->file());

        return count($ours);
    }

    /** @param  array{pid: int, command: string, mark: string|null}  $each */
    private function groupLives(array $each): bool
    {
        return posix_kill(-$each['pid'], 0);
    }

    /**
     * Whether the process that has this id now is still the one we started.
     *
     * @param  array{pid: int, command: string, mark: string|null}  $each
     */
    private function isOurs(array $each): bool
    {
        $running = trim(str_replace("\0", ' ', (string) @file_get_contents("/proc/{$each['pid']}/cmdline")));

        return $running !== '' && ($each['mark'] === null ? str_ends_with($running, $each['command']) : str_contains($running, $each['mark']));
    }

    /** @return array<string, array{pid: int, command: string, mark: string|null}> */
    private function known(): array
    {
        $json = @file_get_contents($this->file());

        return $json === false ? [] : json_decode($json, true) ?? [];
    }

    /** @param  array<string, array{pid: int, command: string, mark: string|null}>  $known */
    private function remember(array $known): void
    {
        @mkdir(dirname($this->file()), 0755, true);
        file_put_contents($this->file(), json_encode($known));
    }

    private function file(): string
    {
        return "{$this->root}/var/run/{$this->name}.processes.json";
    }
}
