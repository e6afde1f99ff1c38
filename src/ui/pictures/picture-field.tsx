'use client';
import { useState } from 'react';
import { PicturePicker } from './picture-picker';
import { smallPictureAddress, usePictures } from './use-pictures';

type PictureFieldProps = { readonly picture: string | null; readonly onChange: (sha256: string) => void };

/** The picture that a layer shows, and the way to another. */
export function PictureField({ picture, onChange }: PictureFieldProps) {
  const [picking, setPicking] = useState(false);
  const { data } = usePictures();
  const name = data?.pictures.find(({ sha256 }) => sha256 === picture)?.name;
  return (
    <>
      <button type="button" className="shape-choice" onClick={() => setPicking(true)}>
        {picture && (
          // oxlint-disable-next-line nextjs/no-img-element -- a file of our own server, as it is
          <img className="picture-thumb" src={smallPictureAddress(picture)} alt="" />
        )}
        <span>
          <strong className="name-line">{picture ? (name ?? 'Picture') : 'No picture yet'}</strong>
          <br />
          <span className="muted small-text">Choose a picture…</span>
        </span>
      </button>
      {picking && (
        <PicturePicker
          onHide={() => setPicking(false)}
          onPick={(sha256) => {
            setPicking(false);
            onChange(sha256);
          }}
        />
      )}
    </>
  );
}
