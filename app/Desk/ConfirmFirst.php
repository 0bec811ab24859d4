<?php

declare(strict_types=1);

namespace App\Desk;

/** Whoever asks has to show first that they are still who signed in. */
final class ConfirmFirst extends \RuntimeException
{
}
