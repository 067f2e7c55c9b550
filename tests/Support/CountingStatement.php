<?php

declare(strict_types=1);

namespace Tests\Support;

use PDO;
use PDOStatement;

/** What the database is asked and gives, counted: figures that are the same on every machine. */
final class CountingStatement extends PDOStatement
{
    public static int $asked = 0;

    public static int $rows = 0;

    private function __construct()
    {
    }

    public static function on(PDO $connection): void
    {
        $connection->setAttribute(PDO::ATTR_STATEMENT_CLASS, [self::class, []]);
    }

    public static function begin(): void
    {
        self::$asked = self::$rows = 0;
    }

    /** @param  ?array<array-key, mixed>  $params */
    public function execute(?array $params = null): bool
    {
        self::$asked++;

        return parent::execute($params);
    }

    /** @return array<array-key, mixed> */
    public function fetchAll(int $mode = PDO::FETCH_DEFAULT, mixed ...$args): array
    {
        $rows = parent::fetchAll($mode, ...$args);
        self::$rows += count($rows);

        return $rows;
    }

    public function fetch(
        int $mode = PDO::FETCH_DEFAULT,
        int $cursorOrientation = PDO::FETCH_ORI_NEXT,
        int $cursorOffset = 0,
    ): mixed {
        $row = parent::fetch($mode, $cursorOrientation, $cursorOffset);
        self::$rows += (int) ($row !== false);

        return $row;
    }
}
