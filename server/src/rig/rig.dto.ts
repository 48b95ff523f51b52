import { ApiProperty } from '@nestjs/swagger';
import { SIGNS } from '@rough-bight/core/anchor';
import type { Sign } from '@rough-bight/core/anchor';
import { PULLS, SHELTERS, TERMINATIONS, WOODS } from '@rough-bight/core/catalogue';
import type { Pull, Shelter } from '@rough-bight/core/catalogue';
import { wrongBed, wrongPitch } from '@rough-bight/core/formats';
import { MOST_HOME, MOST_HUNG, RIDGE_FORMAT, RIDGE_LIMITS, TENSIONINGS } from '@rough-bight/core/rig';
import type { Bed, Pitch, RidgeRig, Tensioning } from '@rough-bight/core/rig';
import { RULES, USES } from '@rough-bight/core/strength';
import type { Rule, Use } from '@rough-bight/core/strength';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  Equals,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  MaxLength,
  Max,
  Min,
  ValidateBy,
  ValidateNested,
} from 'class-validator';
import { Within, WholeWithin, Words } from '../errors/within.js';

const L = RIDGE_LIMITS;
const oneOf = (what: string, list: readonly string[]) => ({
  message: `The ${what} must be one of ${list.join(', ')}.`,
});

/** An object field whose class is checked in turn. */
function Part(type: () => new () => object): PropertyDecorator {
  return (target, key) => {
    IsDefined({ message: `${String(key)} is missing.` })(target, key);
    IsObject({ message: `${String(key)} must be an object.` })(target, key);
    ValidateNested()(target, key);
    Type(type)(target, key);
    ApiProperty({ type: () => type() })(target, key);
  };
}

/** Exactly two of something. */
function Pair(type: () => new () => object): PropertyDecorator {
  return (target, key) => {
    const message = `${String(key)} must be a list of two.`;
    IsArray({ message })(target, key);
    ArrayMinSize(2, { message })(target, key);
    ArrayMaxSize(2, { message })(target, key);
    ValidateNested({ each: true, message })(target, key);
    Type(type)(target, key);
    ApiProperty({ type: () => [type()] })(target, key);
  };
}

class SpanDto {
  @ApiProperty({ enum: ['tape', 'paces'] })
  @IsIn(['tape', 'paces'], oneOf('way of measuring', ['tape', 'paces']))
  how: 'tape' | 'paces';
  @Within(L.span) tape: number;
  @Within(L.paces) paces: number;
  @IsOptional() @Within(L.sd) sd?: number;
}

const SIGN_IDS = Object.keys(SIGNS) as Sign[];
const WOOD_IDS = WOODS.map((w) => w.id);
class TrunkDto {
  @Words("trunk's name", 1, 60) name: string;
  @ApiProperty({ enum: WOOD_IDS }) @IsIn(WOOD_IDS, oneOf('wood', WOOD_IDS)) wood: string;
  @Within(L.girth) girth: number;
  @Within(L.tieHeight) tieHeight: number;
  @ApiProperty({ enum: SIGN_IDS, isArray: true })
  @IsArray({ message: 'The signs must be a list.' })
  @ArrayUnique({ message: 'Each sign can stand once.' })
  @IsIn(SIGN_IDS, { each: true, ...oneOf('signs', SIGN_IDS) })
  signs: Sign[];
  @ApiProperty({ required: false, enum: [true], description: 'No stem: its holding is judged on the ground' })
  @IsOptional()
  @Equals(true, { message: 'standsOnWord can only be true; leave it out for a stem.' })
  standsOnWord?: true;
}

/** The place and the anchors it stands on. */
class SiteDto {
  @Words("place's id", 1, 60) place: string;
  @Words("first anchor's id", 1, 60) from: string;
  @Words("second anchor's id", 0, 60) to: string;
}

const TERMINATION_IDS = TERMINATIONS.map((t) => t.id);
class EndDto {
  @ApiProperty({ enum: TERMINATION_IDS }) @IsIn(TERMINATION_IDS, oneOf('hitch', TERMINATION_IDS)) termination: string;
  @WholeWithin(L.wraps) wraps: number;
}

class DipDto {
  @Within(L.testMass) mass: number;
  @Within(L.at) at: number;
  @Within(L.dip) drop: number;
}
class PassesDto {
  @WholeWithin(L.passes) count: number;
  @Within(L.takeUp) takeUp: number;
}
const PULL_IDS = Object.keys(PULLS) as Pull[];
class PulleyDto {
  @ApiProperty({ enum: PULL_IDS }) @IsIn(PULL_IDS, oneOf('pull', PULL_IDS)) pull: Pull;
  @Within(L.loopOut) loopOut: number;
  @Within(L.setBack) setBack: number;
}
class TensioningDto {
  @ApiProperty({ enum: TENSIONINGS }) @IsIn(TENSIONINGS, oneOf('way of tensioning', TENSIONINGS)) how: Tensioning;
  @Within(L.tension) tension: number;
  @Within(L.sag) sag: number;
  @Part(() => DipDto) dip: DipDto;
  @Part(() => PassesDto) passes: PassesDto;
  @Part(() => PulleyDto) pulley: PulleyDto;
}

/** Every item a place on the line. */
function Places(): PropertyDecorator {
  const message = `A place on the line must be a number from ${L.at.min} to ${L.at.max} m.`;
  return (target, key) => {
    IsNumber({ allowNaN: false, allowInfinity: false }, { each: true, message })(target, key);
    Min(L.at.min, { each: true, message })(target, key);
    Max(L.at.max, { each: true, message })(target, key);
  };
}

class RoofDto {
  @ApiProperty() @IsBoolean({ message: 'on must be true or false.' }) on: boolean;
  @Within(L.mass) mass: number;
  @Within(L.mass) wetMass: number;
  @ApiProperty({ type: [Number], minItems: 2, maxItems: 2 })
  @IsArray({ message: "The roof's hitches must be a list of two places." })
  @ArrayMinSize(2, { message: "The roof's hitches must be two places." })
  @ArrayMaxSize(2, { message: "The roof's hitches must be two places." })
  @Places()
  at: [number, number];
  @Within(L.area) area: number;
}

class HungDto {
  @Words('id', 1, 40) id: string;
  @Words('name', 0, 60) name: string;
  @Within(L.mass) mass: number;
  @Within(L.at) at: number;
}

const SHELTER_IDS = Object.keys(SHELTERS) as Shelter[];
class WindDto {
  @WholeWithin(L.beaufort) beaufort: number;
  @ApiProperty({ enum: SHELTER_IDS }) @IsIn(SHELTER_IDS, oneOf('shelter', SHELTER_IDS)) shelter: Shelter;
}

/** A part that the core's own schema checks, field by field. */
function AsInCore(
  check: (value: unknown) => { readonly field: string; readonly problem: string } | null,
): PropertyDecorator {
  return ValidateBy({
    name: 'asInCore',
    validator: {
      validate: (value) => check(value) === null,
      defaultMessage: (args) => {
        const wrong = check(args!.value);
        return wrong === null ? '' : `${args!.property}.${wrong.field}: ${wrong.problem}`;
      },
    },
  });
}

/** A ridgeline as `rough-bight/ridge@1`, with the roof pitched on it. SI. */
export class RidgeRigDto {
  @ApiProperty({ enum: [RIDGE_FORMAT] })
  @Equals(RIDGE_FORMAT, { message: `The format must be ${RIDGE_FORMAT}.` })
  format: typeof RIDGE_FORMAT;
  @Part(() => SpanDto) span: SpanDto;
  @Within(L.groundRise) groundRise: number;
  @Pair(() => TrunkDto) trunks: [TrunkDto, TrunkDto];
  @Words("cord's id", 1, 60) cord: string;
  @Pair(() => EndDto) ends: [EndDto, EndDto];
  @Part(() => TensioningDto) tensioning: TensioningDto;
  @Part(() => RoofDto) roof: RoofDto;
  @ApiProperty({ type: [HungDto] })
  @IsArray({ message: 'The things hung must be a list.' })
  @ArrayMaxSize(MOST_HUNG, { message: `At most ${MOST_HUNG} things can hang on a line.` })
  @ArrayUnique((h: HungDto) => h.id, { message: 'Each thing hung needs an id of its own.' })
  @ValidateNested({ each: true })
  @Type(() => HungDto)
  hung: HungDto[];
  @Part(() => WindDto) wind: WindDto;
  @Within(L.sway) sway: number;
  @Within(L.tightness) tightness: number;
  @ApiProperty({ enum: USES }) @IsIn(USES, oneOf('use', USES)) use: Use;
  @ApiProperty({ enum: RULES }) @IsIn(RULES, oneOf('rule', RULES)) rule: Rule;
  @ApiProperty({ required: false, type: () => SiteDto })
  @IsOptional()
  @IsObject({ message: 'site must be an object.' })
  @ValidateNested()
  @Type(() => SiteDto)
  site?: SiteDto;
  @ApiProperty({ required: false, type: [String], description: 'Ids of what of the kit was left at home' })
  @IsOptional()
  // the lowest is told first
  @ArrayMaxSize(MOST_HOME, { message: `At most ${MOST_HOME} things can be left at home.` })
  @MaxLength(60, { each: true, message: 'An id has at most 60 characters.' })
  @IsString({ each: true, message: 'What was left at home is told by ids.' })
  @IsArray({ message: 'What was left at home must be a list.' })
  home?: string[];
  @ApiProperty({ required: false, type: Object, description: 'docs/formats/rig.schema.json, rig.pitch' })
  @IsOptional()
  @IsObject({ message: 'pitch must be an object.' })
  @AsInCore(wrongPitch)
  pitch?: Pitch;
  @ApiProperty({ required: false, type: Object, description: 'docs/formats/rig.schema.json, rig.bed' })
  @IsOptional()
  @IsObject({ message: 'bed must be an object.' })
  @AsInCore(wrongBed)
  bed?: Bed;
}

/** A new rig. */
export class NewRigDto {
  @Words('name', 1, 80) name: string;
  @Words('note', 0, 400) note: string;
  @Part(() => RidgeRigDto) document: RidgeRigDto;
}

/** A save. It must name the version it was made from. */
export class SaveRigDto extends NewRigDto {
  @ApiProperty({ description: 'The version this was made from' })
  @IsInt({ message: 'The version must be a whole number.' })
  @Min(1, { message: 'The version must be 1 or more.' })
  version: number;
}

/** A rig as stored. */
export class RigDto extends SaveRigDto {
  @ApiProperty() id: string;
  @ApiProperty() campId: string;
  @ApiProperty() updatedAt: string;
}

/** The checked body is the core's own type. */
export const asRig = (dto: RidgeRigDto): RidgeRig => dto;
