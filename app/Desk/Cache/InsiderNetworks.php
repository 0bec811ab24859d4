<?php

declare(strict_types=1);

namespace App\Desk\Cache;

use App\Store\StoredGates;

/** Networks from which somebody sees pages that others do not: the web server asks for their pages anew each time. */
final class InsiderNetworks
{
    private ?string $written = null;

    public function __construct(private readonly StoredGates $gates)
    {
    }

    /** Tells the web server where they have changed. */
    public function write(): void
    {
        $folder = Node::here()->folder;
        if ($folder === null) {
            return;
        }
        $lines = implode('', array_map(static fn (string $network): string => "$network 1;\n", $this->gates->networks()));
        $this->written ??= (string) @file_get_contents("$folder/networks.conf");
        if ($lines === $this->written) {
            return;
        }
        file_put_contents("$folder/networks.conf.new", $lines);
        rename("$folder/networks.conf.new", "$folder/networks.conf");
        $this->written = $lines;
        $pid = (int) @file_get_contents("$folder/nginx.pid");
        if ($pid > 0) {
            posix_kill($pid, SIGHUP);
        }
    }
}
