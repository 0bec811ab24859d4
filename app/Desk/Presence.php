<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\User;
use Illuminate\Database\ConnectionInterface;

/** Who has a page open to write on it. */
final readonly class Presence
{
    /** Seconds after which somebody who was not heard of is no longer there: three times what the editor lets pass. */
    private const SECONDS = 15;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<string> names of the others, from A to Z */
    public function note(Page $page, User $user): array
    {
        $this->db->statement('insert into presences (page_id, user_id) values (?, ?) on conflict (page_id, user_id) do update set seen_at = now()', [
            $page->id,
            $user->id,
        ]);
        $this->db->delete('delete from presences where page_id = ? and seen_at < now() - make_interval(secs => ?)', [$page->id, self::SECONDS]);

        return array_values(
            array_column(
                $this->db->select(
                    'select u.name from presences s join users u on u.id = s.user_id where s.page_id = ? and s.user_id <> ? order by u.name',
                    [$page->id, $user->id],
                ),
                'name',
            ),
        );
    }

    public function left(Page $page, User $user): void
    {
        $this->db->delete('delete from presences where page_id = ? and user_id = ?', [$page->id, $user->id]);
    }
}
