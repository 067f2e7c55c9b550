<?php

declare(strict_types=1);

namespace Tests\Support;

use PDO;
use PDOException;

/** Databases that a test makes for itself. */
final class Databases
{
    private const TRIES = 40;

    /** An ordinary role may not end the cluster's own workers that tidy it up: it waits until they have left. */
    public static function drop(PDO $cluster, string $name): void
    {
        for ($try = 1; ; $try++) {
            try {
                $cluster->exec(sprintf('drop database if exists "%s" with (force)', $name));

                return;
            } catch (PDOException $inUse) {
                if ($try === self::TRIES) {
                    throw $inUse;
                }
                usleep(250_000);
            }
        }
    }
}
