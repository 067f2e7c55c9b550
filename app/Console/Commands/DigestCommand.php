<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Telling\Digests;
use Illuminate\Console\Command;

/** Once a day: what people have not read goes to them by mail. */
final class DigestCommand extends Command
{
    protected $signature = 'sartal:digest';

    protected $description = 'Mail to everybody what concerns them and they have not read';

    public function handle(Digests $digests): int
    {
        if (! Digests::arePossible()) {
            $this->error('This host has no way to send mail. Set MAIL_MAILER and what it takes (README.md).');

            return self::FAILURE;
        }
        $sent = $digests->send();
        $this->line($sent === 1 ? 'One person was written to.' : sprintf('%d people were written to.', $sent));

        return self::SUCCESS;
    }
}
