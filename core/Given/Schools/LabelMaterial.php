<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

enum LabelMaterial: string implements School
{
    case Wrap = 'wrap';
    case Flag = 'flag';
    case Sleeve = 'sleeve';
    case Tag = 'tag';

    public static function key(): string
    {
        return 'labelMaterial';
    }

    public static function question(): string
    {
        return 'What are cable labels made of?';
    }

    public static function usual(): static
    {
        return self::Wrap;
    }

    public static function latitude(): Latitude
    {
        return Latitude::House;
    }

    public static function reason(): string
    {
        return 'A wrap goes on a finished cable and is covered by its own clear tail; a heat-shrink label has to be '.
            'on before the connector.';
    }

    public function words(): string
    {
        return match ($this) {
            self::Wrap => 'self-laminating wraps',
            self::Flag => 'flags, where the cable is thin enough',
            self::Sleeve => 'heat-shrink sleeves, on before the connector',
            self::Tag => 'tags, tied on',
        };
    }

    public function form(): LabelForm
    {
        return LabelForm::from($this->value);
    }
}
