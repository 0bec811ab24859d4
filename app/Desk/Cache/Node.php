<?php

declare(strict_types=1);

namespace App\Desk\Cache;

/** The node that this process belongs to: its name, and where its web server keeps rendered pages. */
final readonly class Node
{
    public string $name;

    /** @param  string|null  $folder  of the web server in front; null where there is none */
    public function __construct(public ?string $folder)
    {
        $this->name = gethostname().':'.($folder ?? '');
    }

    public static function here(): self
    {
        $folder = config('heronstem.node_folder');

        return new self(is_string($folder) && is_dir("$folder/pages") ? $folder : null);
    }

    /** The file in which nginx keeps what it has under a key: by its MD5, `levels=1:2`. */
    public function file(string $key): string
    {
        $hash = md5($key);

        return "{$this->folder}/pages/".substr($hash, -1).'/'.substr($hash, -3, 2)."/$hash";
    }
}
