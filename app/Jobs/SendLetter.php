<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Mail\Letter;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Sends a letter, later again where mail cannot be handed over just now. */
final class SendLetter implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $backoff = 30;

    /** @param  list<string>  $lines  its paragraphs */
    public function __construct(private readonly string $mail, private readonly string $about, private readonly array $lines)
    {
    }

    public function handle(Mailer $mailer): void
    {
        $mailer->to($this->mail)->send(new Letter($this->about, $this->lines));
    }
}
