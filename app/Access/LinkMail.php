<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Mail;
use Throwable;

/** A link by mail, in plain text, where the studio has configured a server for it; it stands in no log. */
final class LinkMail
{
    public static function send(User $to, string $address, string $kind): bool
    {
        if (! in_array(config('mail.default'), ['smtp', 'array'], true) || config('mintcarry.mails') !== true) {
            return false;
        }
        $hours = \App\Models\WelcomeLink::HOURS[$kind];
        $text = $kind === 'invitation'
            ? "Hello {$to->name},\n\nyou are invited to {$to->studio->name} on Mint Carry. Choose a password here, within {$hours} hours:"
            : "Hello {$to->name},\n\nthe owner of {$to->studio->name} made a link for a new password, good for {$hours} hours:";
        try {
            Mail::raw("{$text}\n\n{$address}\n\nIf you did not expect this, do nothing.\n", static function (Message $mail) use ($to): void {
                $mail->to($to->email)->subject("{$to->studio->name}: your sign-in to Mint Carry");
            });
        } catch (Throwable $e) {
            // The link itself is in what failed: only the kind of failure is told.
            logger()->error('mail could not be sent', ['user' => $to->id, 'failure' => $e::class]);

            return false;
        }

        return true;
    }
}
