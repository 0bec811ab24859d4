<?php

declare(strict_types=1);

namespace Tests\App;

use App\Jobs\SendLetter;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\Test;

/** Who may publish is told by mail that a page waits, and who sent it that it came back. */
final class ReviewLettersTest extends AppTestCase
{
    #[Test]
    public function those_who_may_publish_there_are_told_and_then_who_sent_it(): void
    {
        config()->set('mail.default', 'smtp');
        $islands = $this->draft('Islands');
        $page = $this->draft('Ullin', $islands);
        $tam = $this->person('Tam', Role::WRITER);
        $isla = $this->person('Isla', Role::READER);
        $this->say($isla, 'publish', 'allow', $islands);
        $elsewhere = $this->person('Ina', Role::READER);
        $this->say($elsewhere, 'publish', 'allow', $this->draft('Help'));
        $this->person('Greta', Role::OWNER);
        User::query()->update(['joined_at' => now()]);
        User::query()
            ->where('name', 'Greta')
            ->update(['joined_at' => null]);
        Queue::fake();

        $this->api(
            'POST',
            'batches',
            ['changes' => [['kind' => 'send-for-review', 'page' => $page, 'note' => 'Is it right?']]],
            $tam,
        )->assertCreated();
        self::assertEqualsCanonicalizing(
            ['mairi@skerrivane.example', 'isla@skerrivane.example'],
            $this->told('asks for a review'),
            'Not who sent it, not who may publish elsewhere, and nobody who has not come yet.',
        );

        $this->api('POST', 'batches', ['changes' => [['kind' => 'return-to-writer', 'page' => $page, 'note' => 'Add the fares.']]])->assertCreated();
        self::assertSame(['tam@skerrivane.example'], $this->told('came back'));

        $this->api('POST', 'batches', ['changes' => [['kind' => 'send-for-review', 'page' => $page, 'note' => '']]], $tam)->assertCreated();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'go-live', 'page' => $page]], 'defaults' => true])->assertCreated();
        self::assertSame(['tam@skerrivane.example'], $this->told('came back'), 'What is published did not come back.');
    }

    /** @return list<string> whom letters about something were sent to */
    private function told(string $about): array
    {
        $told = [];
        Queue::assertPushed(SendLetter::class, static function (SendLetter $letter) use ($about, &$told): bool {
            $read = static fn (string $field): string => (string) (new \ReflectionProperty(SendLetter::class, $field))->getValue($letter);
            if (str_contains($read('about'), $about)) {
                $told[] = $read('mail');
            }

            return true;
        });

        return $told;
    }
}
