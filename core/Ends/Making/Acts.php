<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Making\Verbs\Arrange;
use Sartal\Core\Ends\Making\Verbs\Bind;
use Sartal\Core\Ends\Making\Verbs\Clamp;
use Sartal\Core\Ends\Making\Verbs\Close;
use Sartal\Core\Ends\Making\Verbs\Coil;
use Sartal\Core\Ends\Making\Verbs\Cool;
use Sartal\Core\Ends\Making\Verbs\Crimp;
use Sartal\Core\Ends\Making\Verbs\CutOff;
use Sartal\Core\Ends\Making\Verbs\CutToPoint;
use Sartal\Core\Ends\Making\Verbs\Ferrule;
use Sartal\Core\Ends\Making\Verbs\Fix;
use Sartal\Core\Ends\Making\Verbs\Insert;
use Sartal\Core\Ends\Making\Verbs\Insulate;
use Sartal\Core\Ends\Making\Verbs\Join;
use Sartal\Core\Ends\Making\Verbs\LayAside;
use Sartal\Core\Ends\Making\Verbs\LayForward;
use Sartal\Core\Ends\Making\Verbs\LayIn;
use Sartal\Core\Ends\Making\Verbs\Load;
use Sartal\Core\Ends\Making\Verbs\LookOver;
use Sartal\Core\Ends\Making\Verbs\Mark;
use Sartal\Core\Ends\Making\Verbs\Mate;
use Sartal\Core\Ends\Making\Verbs\MeasureOut;
use Sartal\Core\Ends\Making\Verbs\Open;
use Sartal\Core\Ends\Making\Verbs\PressIn;
use Sartal\Core\Ends\Making\Verbs\PushOn;
use Sartal\Core\Ends\Making\Verbs\Remove;
use Sartal\Core\Ends\Making\Verbs\Score;
use Sartal\Core\Ends\Making\Verbs\Seat;
use Sartal\Core\Ends\Making\Verbs\Shrink;
use Sartal\Core\Ends\Making\Verbs\Slide;
use Sartal\Core\Ends\Making\Verbs\Slit;
use Sartal\Core\Ends\Making\Verbs\SolderOn;
use Sartal\Core\Ends\Making\Verbs\Tape;
use Sartal\Core\Ends\Making\Verbs\Tear;
use Sartal\Core\Ends\Making\Verbs\Tie;
use Sartal\Core\Ends\Making\Verbs\Tin;
use Sartal\Core\Ends\Making\Verbs\Trim;
use Sartal\Core\Ends\Making\Verbs\Tug;
use Sartal\Core\Ends\Making\Verbs\Turn;
use Sartal\Core\Ends\Making\Verbs\Twist;
use Sartal\Core\Ends\Making\Verbs\Untwist;
use Sartal\Core\Ends\Making\Verbs\Wet;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\Verb;

/** What each verb is. */
final class Acts
{
    public static function of(Verb $verb): Act
    {
        return match ($verb) {
            Verb::Mark => new Mark(),
            Verb::Measure => new MeasureOut(),
            Verb::Turn => new Turn(),
            Verb::CutOff => new CutOff(),
            Verb::Score => new Score(),
            Verb::Remove => new Remove(),
            Verb::Tear => new Tear(),
            Verb::Fold => new LayAside(Lie::Folded, 'laid back'),
            Verb::Open => new Open(),
            Verb::Untwist => new Untwist(),
            Verb::Twist => new Twist(),
            Verb::Point => new CutToPoint(),
            Verb::Wind => new LayAside(Lie::Wound, 'wound'),
            Verb::Trim => new Trim(),
            Verb::Arrange => new Arrange(),
            Verb::Wet => new Wet(),
            Verb::Tin => new Tin(),
            Verb::Tape => new Tape(),
            Verb::Insulate => new Insulate(),
            Verb::Slide => new Slide(),
            Verb::Seat => new Seat(),
            Verb::Insert => new Insert(),
            Verb::LayIn => new LayIn(),
            Verb::Ferrule => new Ferrule(),
            Verb::Mate => new Mate(),
            Verb::Join => new Join(),
            Verb::Clamp => new Clamp(),
            Verb::PressIn => new PressIn(),
            Verb::PushOn => new PushOn(),
            Verb::LayForward => new LayForward(),
            Verb::Slit => new Slit(),
            Verb::Crimp => new Crimp(),
            Verb::SolderOn => new SolderOn(),
            Verb::Load => new Load(),
            Verb::Fix => new Fix(),
            Verb::Shrink => new Shrink(),
            Verb::Tie => new Tie(),
            Verb::Bind => new Bind(),
            Verb::Cool => new Cool(),
            Verb::LookOver => new LookOver(),
            Verb::Tug => new Tug(),
            Verb::Close => new Close(),
            Verb::Coil => new Coil(),
        };
    }
}
