<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\ReadRights;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Right;
use Heronstem\Core\InputRefused;
use Illuminate\Console\Command;

/** Answers for scripts by its exit code, and for people in a sentence. */
final class May extends Command
{
    use NamesSite;

    private const UNKNOWN = 2;

    protected $signature = 'heronstem:may {mail} {right : one of the rights, such as publish} {address? : of a page; left out for the whole site} {--site= : key of the site}';

    protected $description = 'Say whether somebody may do something on a page: exit code 0 for yes, 1 for no, 2 when it cannot be asked like this';

    public function handle(ReadRights $rights): int
    {
        $site = $this->site();
        if ($site === null) {
            return self::UNKNOWN;
        }
        try {
            $mail = mb_strtolower((string) $this->argument('mail'));
            $user = User::query()->where('email', $mail)->first() ?? throw new InputRefused('mail', 'Nobody signs in with this mail address.');
            $right = Right::read($this->argument('right'), 'right');
            $page = $this->page($site);
        } catch (InputRefused $refused) {
            $this->error($refused->reason);

            return self::UNKNOWN;
        }
        $why = $rights->why($site, $user->ulid, $right, $page);
        $this->line(($why['isYes'] ? 'yes. ' : 'no. ').$why['words']);

        return $why['isYes'] ? self::SUCCESS : self::FAILURE;
    }

    private function page(Site $site): ?Page
    {
        $address = $this->argument('address');

        return $address === null
            ? null
            : Page::query()->where('site_id', $site->id)->where('address', $address)->where('state', '<>', 'bin')->first() ??
                    throw new InputRefused('address', "No page has the address $address.");
    }
}
