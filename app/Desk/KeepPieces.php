<?php

declare(strict_types=1);

namespace App\Desk;

use App\Jobs\AuditPages;
use App\Models\SharedPiece;
use App\Models\Site;
use App\Models\User;
use App\Store\AuditQueue;
use App\Store\NotedLinks;
use App\Store\SharedPieces;
use Heronstem\Core\Content\Document;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;
use Illuminate\Database\Connection;

/** Makes shared pieces and saves them; every page that shows one shows it as it is from then on. Every version is kept. */
final readonly class KeepPieces
{
    public const MAX_NAME_LENGTH = 100;

    public function __construct(
        private Connection $db,
        private SharedPieces $pieces,
        private NotedLinks $links,
        private AuditQueue $audit,
        private RecordEntry $record,
    ) {
    }

    /** @throws InputRefused naming the field */
    public function make(Site $site, User $user, string $name, Document $content): SharedPiece
    {
        $this->guard($content);
        $name = $this->name($site, $name, null);

        return $this->db->transaction(function () use ($site, $user, $name, $content): SharedPiece {
            $piece = SharedPiece::query()->create([
                'site_id' => $site->id,
                'name' => $name,
                'document' => $content->toArray(),
                'number' => 1,
                'changed_by' => $user->id,
            ]);
            $this->keep($piece, $user);
            $this->record->ofPiece($site, $user, "Made the shared piece *$name*", $piece);

            return $piece;
        });
    }

    /**
     * @param  int  $basedOn  what the writer started from
     *
     * @throws ChangedMeanwhile when somebody saved it meanwhile
     * @throws InputRefused naming the field
     */
    public function save(SharedPiece $piece, User $user, string $name, Document $content, int $basedOn): SharedPiece
    {
        $this->guard($content);
        $name = $this->name($piece->site, $name, $piece);

        return $this->db->transaction(function () use ($piece, $user, $name, $content, $basedOn): SharedPiece {
            $now = SharedPiece::query()->whereKey($piece->id)->lockForUpdate()->firstOrFail();
            if ($now->number !== $basedOn) {
                throw new ChangedMeanwhile();
            }
            $now->fill(['name' => $name, 'document' => $content->toArray(), 'number' => $now->number + 1, 'changed_by' => $user->id])->save();
            $this->keep($now, $user);
            $uses = $this->pieces->uses($now);
            $this->record->ofPiece(
                $now->site,
                $user,
                "Changed the shared piece *$name*, shown on ".count($uses).(count($uses) === 1 ? ' page' : ' pages'),
                $now,
            );
            // What is in a piece counts as being on the pages that show it: links, files, words.
            $this->links->note(array_map(static fn (\stdClass $page): int => (int) $page->key, $uses));
            $this->audit->add($now->site, array_map(static fn (\stdClass $page): string => (string) $page->id, $uses));
            $this->db->afterCommit(static fn () => AuditPages::dispatch($now->site_id));

            return $now;
        });
    }

    /** @throws InputRefused while pages show it */
    public function remove(SharedPiece $piece, User $user): void
    {
        $uses = count($this->pieces->uses($piece));
        if ($uses > 0) {
            throw new InputRefused(
                'piece',
                $uses === 1 ? 'One page shows it. Take it out there first.' : "$uses pages show it. Take it out there first.",
            );
        }
        $this->db->transaction(function () use ($piece, $user): void {
            $this->record->ofPiece($piece->site, $user, "Deleted the shared piece *{$piece->name}*", $piece);
            $piece->delete();
        });
    }

    private function keep(SharedPiece $piece, User $user): void
    {
        $this->db->insert('insert into shared_piece_versions (piece_id, number, document, user_id) values (?, ?, ?::jsonb, ?)', [
            $piece->id,
            $piece->number,
            json_encode($piece->document, JSON_THROW_ON_ERROR),
            $user->id,
        ]);
    }

    private function guard(Document $content): void
    {
        if ($content->sharedPieces() !== []) {
            throw new InputRefused('document', 'A shared piece holds no other one.');
        }
    }

    private function name(Site $site, string $typed, ?SharedPiece $own): string
    {
        $name = OneLine::typed($typed);
        if ($name === '' || mb_strlen($name) > self::MAX_NAME_LENGTH) {
            throw new InputRefused('name', 'A name has one to '.self::MAX_NAME_LENGTH.' characters.');
        }
        $taken = SharedPiece::query()
            ->where('site_id', $site->id)
            ->whereRaw('lower(name) = lower(?)', [$name])
            ->when($own !== null, static fn ($query) => $query->whereKeyNot($own?->id))
            ->exists();

        return $taken ? throw new InputRefused('name', "There is a piece of the name “{$name}” already.") : $name;
    }
}
