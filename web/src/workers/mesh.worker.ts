import { meshVolume, type MeshVolume } from '@warm-jar/core';
import { answerCalls } from './answerCalls';

/** Volume and surface of a mesh file. */
answerCalls((bytes: ArrayBuffer): MeshVolume => meshVolume(new Uint8Array(bytes)), 'The mesh could not be read.');
