<?php

declare(strict_types=1);

namespace App\Short;

/**
 * What a node knows of its replica, in two small files that all its processes read: since when it is known to have everything that was
 * written a moment before, and how far it has to be because of what was changed here. A replica is read only where the first is younger.
 */
final readonly class ReplicaState
{
    /** Seconds for which it is believed: what visitors are shown is never older than this and one look more. */
    public const BELIEVED = 1.0;

    /** @param  string|null  $folder  of the node; null where there is none, and so no replica */
    public function __construct(private ?string $folder)
    {
    }

    public function isFresh(float $now): bool
    {
        $at = (float) $this->read('replica-fresh');

        return $at > 0.0 && $now - $at <= self::BELIEVED && $at <= $now + self::BELIEVED && $at > (float) strtok($this->read('replica-wanted'), ' ');
    }

    /** @param  float  $at  when it was begun to look: what was changed since then is not known to be there */
    public function noteFresh(float $at): void
    {
        $this->write('replica-fresh', sprintf('%.6F', $at));
    }

    public function noteAway(): void
    {
        $this->folder === null || @unlink("{$this->folder}/replica-fresh");
    }

    /** @param  string  $position  in the log of the primary, behind what was changed */
    public function noteChanged(float $at, string $position): void
    {
        $this->write('replica-wanted', sprintf('%.6F %s', $at, $position));
    }

    /** How far it has to be; null for no matter how far. */
    public function wanted(): ?string
    {
        return explode(' ', $this->read('replica-wanted'))[1] ?? null;
    }

    private function read(string $name): string
    {
        return $this->folder === null ? '' : (string) @file_get_contents("{$this->folder}/$name");
    }

    /** Whole, or as it was. */
    private function write(string $name, string $text): void
    {
        if ($this->folder !== null && is_dir($this->folder)) {
            $new = "{$this->folder}/.$name.".bin2hex(random_bytes(6));
            @file_put_contents($new, $text) === false || @rename($new, "{$this->folder}/$name");
        }
    }
}
