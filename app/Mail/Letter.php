<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A letter in plain text. */
final class Letter extends Mailable
{
    /** @param  list<string>  $lines  its paragraphs */
    public function __construct(private readonly string $about, public readonly array $lines)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: 'mail.letter', with: ['lines' => $this->lines]);
    }
}
