<?php

declare(strict_types=1);

namespace App\Desk\Cache;

use App\Store\PageCache;

/**
 * Takes away what this node keeps rendered and what has changed since. Called wherever something was changed, so that whoever changed it
 * sees it at once, and by the node's own clock for what others changed.
 */
final class ForgetPages
{
    /** Files taken away before an answer; more are left to the node's clock, and the site is not read from the cache until they are. */
    private const AT_ONCE = 300;

    /** Over the first bytes of what nginx keeps: a number of its format that it has never had. */
    private const NO_VERSION = "\0\0\0\0\0\0\0\0";

    public function __construct(private readonly PageCache $cache, private readonly Replica $replica)
    {
    }

    /** @return int pages forgotten */
    public function now(): int
    {
        $this->replica->changed();

        return $this->forgotten();
    }

    private function forgotten(): int
    {
        $node = Node::here();
        if ($node->folder === null) {
            return 0;
        }
        $keys = $this->cache->forget($node->name);
        if (count($keys) <= self::AT_ONCE) {
            self::remove($node, $keys);

            return count($keys);
        }
        foreach (self::hosts($keys) as $host) {
            touch("{$node->folder}/forgetting/$host");
        }
        file_put_contents("{$node->folder}/forgetting/.".bin2hex(random_bytes(8)).'.keys', implode("\n", $keys));

        return count($keys);
    }

    /** This node begins anew, with nothing kept. */
    public function begin(): void
    {
        $this->cache->begin(Node::here()->name);
    }

    /** Tidies away what no node will ask about any more. */
    public function tidy(): void
    {
        $this->cache->tidy();
    }

    /** What was left over, and what may have come to be kept just as it was forgotten. */
    public function rest(): void
    {
        $node = Node::here();
        if ($node->folder === null) {
            return;
        }
        if ($this->cache->isBehind($node->name)) {
            $this->everything($node);

            return;
        }
        $this->forgotten();
        foreach (glob("{$node->folder}/forgetting/.*.keys") ?: [] as $left) {
            $keys = explode("\n", (string) file_get_contents($left));
            self::remove($node, $keys);
            unlink($left);
            if ((glob("{$node->folder}/forgetting/.*.keys") ?: []) === []) {
                array_map(static fn (string $host): bool => @unlink("{$node->folder}/forgetting/$host"), self::hosts($keys));
            }
        }
        self::remove($node, $this->cache->forgottenLately($node->name));
    }

    private function everything(Node $node): void
    {
        foreach (glob("{$node->folder}/pages/*/*/*") ?: [] as $file) {
            self::takeAway($file);
        }
        $this->cache->begin($node->name);
    }

    /** @param  list<string>  $keys */
    private static function remove(Node $node, array $keys): void
    {
        foreach ($keys as $key) {
            self::takeAway(str_starts_with($key, '/') ? $key : $node->file($key));
        }
    }

    /**
     * The web server may hold the file open, and would go on reading from it: it is made unreadable first. What the server has written
     * there begins with the version of its format; of another version it takes nothing, and what is being sent of it stands behind that.
     */
    private static function takeAway(string $file): void
    {
        $held = @fopen($file, 'r+b');
        if ($held !== false) {
            fwrite($held, self::NO_VERSION);
            fclose($held);
        }
        @unlink($file);
    }

    /**
     * @param  list<string>  $keys
     * @return list<string> as requests name them
     */
    private static function hosts(array $keys): array
    {
        $hosts = array_map(static fn (string $key): string => preg_match('#^[a-z]+://([^/]+)#', $key, $found) === 1 ? $found[1] : '', $keys);

        return array_values(array_filter(array_unique($hosts), static fn (string $host): bool => $host !== '' && ! str_contains($host, '..')));
    }
}
