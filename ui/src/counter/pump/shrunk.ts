const LONGEST_PX = 1600;
const QUALITY = 0.82;

/** The picture as a JPEG of moderate size. Drawn anew, it carries nothing of what the camera wrote beside it. */
export async function shrunk(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error("This file is no picture: choose a photo, or take one with the camera.");
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) => canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("The picture could not be made smaller: choose another."))), "image/jpeg", QUALITY));
}
