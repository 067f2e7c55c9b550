<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\Ahead\Ahead;
use Illuminate\Console\Command;

/** Looks until there is something to make ahead, makes it, and goes: memory is the next one's. */
final class AheadCommand extends Command
{
    /** ms between two looks. */
    private const EVERY = 2000;

    protected $signature = 'sartal:ahead {--looks=300 : so often it looks before it goes}';

    protected $description = 'Make pages ahead that follow from all runs, once something was decided';

    public function handle(Ahead $ahead): int
    {
        for ($looks = (int) $this->option('looks'); $looks > 0; $looks--) {
            $stored = $ahead->next();
            if ($stored !== null && $ahead->make($stored) !== null) {
                return self::SUCCESS;
            }
            if ($looks > 1) {
                usleep(1000 * self::EVERY);
            }
        }

        return self::SUCCESS;
    }
}
